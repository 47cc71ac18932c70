'use client'
import { createContext, useContext, useEffect, useRef } from 'react'
import type { Person } from '@/core/tool'
import type { LengthUnit, Units } from '@/core/units'
import type { Ask } from '@/stations/contract'
import type * as people from '@/stations/people/contract'

/** What a scan was and did. */
export interface ScanSaid {
  readonly title: string
  readonly text: string
  readonly tone: 'holds' | 'off' | 'todo'
  readonly href?: string
  readonly personId?: string
  /** What the tool room knows it as; left out where it is none of these. */
  readonly kind?: 'holder' | 'job' | 'part' | 'place'
}

/** A sheet's own use for a scan; null when it has none, and the tool room answers. */
export type ScanUse = (text: string) => Promise<ScanSaid | null> | ScanSaid | null

export interface ShellActions {
  readonly answerScan: (text: string) => Promise<ScanSaid>
  readonly setUnit: (unit: LengthUnit) => Promise<void>
  /** In which units, and how large, this terminal shows things. */
  readonly setShows: (shows: Partial<Omit<Units, 'length'>> & { readonly text?: 'usual' | 'large' }) => Promise<void>
  readonly setTheme: (theme: 'granite' | 'basalt') => Promise<void>
  readonly signIn: Ask<typeof people.signIn>
  readonly signOut: Ask<typeof people.signOut>
}

/** Somebody whose PIN is asked for, and what was wrong with the last one. */
export interface Asking {
  readonly personId: string
  readonly name: string
  readonly problem: string | null
}

export interface Shell {
  readonly unit: LengthUnit
  readonly units: Units
  readonly text: 'usual' | 'large'
  readonly theme: 'granite' | 'basalt'
  readonly person: Person | null
  readonly people: readonly Person[]
  /** Names of couplings: those of the shop's machines first, then the others. */
  readonly couplings: { readonly used: readonly string[]; readonly others: readonly string[] }
  /** Somebody wants to work here: at once, or after their PIN. @returns why not yet; null: it is done */
  readonly signIn: (personId: string) => Promise<ScanSaid | null>
  /** Why whoever is signed in has to say that it is still them, in words; null: nobody asks. */
  readonly stillThere: string | null
  readonly askStillThere: (why: string | null) => void
  /** Whose PIN is asked for; null: nobody's. */
  readonly asking: Asking | null
  readonly givePin: (pin: string | null) => Promise<void>
  readonly actions: ShellActions
  readonly last: {
    readonly scan: string
    readonly said: ScanSaid | null
    /** The sheet it leads to is not there yet. */
    readonly arriving?: boolean
  } | null
  /** Scans taken since this page was opened. */
  readonly scans: number
  readonly scan: (text: string) => void
  /** Says in the scan field why something that should have been a scan was none. */
  readonly sayScan: (said: ScanSaid) => void
  readonly takeScans: (use: ScanUse) => () => void
  /** @param act returns whether it was there to be done */
  readonly bigAction: (act: () => boolean) => () => void
  readonly doBigAction: () => boolean
  /** Something was done at another terminal: whoever listens is told. */
  readonly tellNews: () => void
  readonly listenForNews: (hear: () => void) => () => void
  /** Goes to another page; asks first where something here is not saved. */
  readonly go: (href: string) => void
  /** Scans wait until this work is over. */
  readonly hold: (work: Promise<unknown>) => void
  /** Says that this page holds something that is not saved; the returned function takes that back. */
  readonly unsaved: (what: string) => () => void
  readonly hasUnsaved: () => boolean
  /** What would be lost by leaving now; null when nothing would. */
  readonly leaving: { readonly what: string; readonly href: string } | null
  readonly leave: (go: boolean) => void
}

export const ShellContext = createContext<Shell | null>(null)

export function useShell(): Shell {
  const shell = useContext(ShellContext)
  if (!shell) throw new Error('useShell outside of the shell')
  return shell
}

/** Called whenever something was done at another terminal. */
export function useNews(hear: () => void): void {
  const { listenForNews } = useShell()
  const current = useRef(hear)
  useEffect(() => {
    current.current = hear
  })
  useEffect(() => listenForNews(() => current.current()), [listenForNews])
}

export const useUnit = (): LengthUnit => useShell().unit
export const useUnits = (): Units => useShell().units

/** While this sheet is open, scans come here first. */
export function useScans(use: ScanUse): void {
  const { takeScans } = useShell()
  const current = useRef(use)
  useEffect(() => {
    current.current = use
  })
  useEffect(() => takeScans((text) => current.current(text)), [takeScans])
}

/** While `what` is not null, leaving this page by a link, a key, a scan or the browser asks first. */
export function useUnsaved(what: string | null): void {
  const { unsaved } = useShell()
  useEffect(() => {
    if (what === null) return
    const take = unsaved(what)
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', ask)
    return () => {
      take()
      window.removeEventListener('beforeunload', ask)
    }
  }, [what, unsaved])
}
