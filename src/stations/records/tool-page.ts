import type { Component, Waits } from '@/core/tool'
import { currentBalance, type BalanceResult } from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { listComponents } from '@/db/library/read'
import { readApart, type ApartSheet } from '../build/take-apart'
import { healthOf, type HolderLine } from '../library/pages'
import { machineNames, partName } from '../names'
import { waitsNow } from '../rack/waits'
import { readPassport, type Passport } from './passport'

export interface ToolPage extends Passport, Omit<HolderLine, 'holder'> {
  readonly machines: ReadonlyMap<string, string>
  /** Names of the parts in it, and of its pull stud. */
  readonly names: ReadonlyMap<string, string>
  /** What it takes to take it apart; null without a tool. */
  readonly apart: ApartSheet | null
  /** Where it waits, and for what; null where it waits for nothing. */
  readonly waits: Waits | null
  readonly balance: BalanceResult | null
  /** Open jobs that it may be kept for. */
  readonly jobs: readonly string[]
  /** Pull studs that fit its taper. */
  readonly studs: readonly Pick<Component, 'id' | 'name'>[]
}

/** Everything that the page of a holder and its tool shows; null when the holder is not known. */
export function readToolPage(db: Db, serial: string, now: string): ToolPage | null {
  const passport = readPassport(db, serial)
  if (!passport) return null
  const { holder, assembly } = passport
  const named = [...(assembly?.parts.map((p) => p.component) ?? []), ...(holder.stud ? [holder.stud] : [])]
  return {
    ...passport,
    ...healthOf(db, holder, now),
    machines: machineNames(db),
    names: new Map(named.map((id) => [id, partName(db, id)])),
    apart: assembly ? readApart(db, serial, now) : null,
    waits: assembly ? waitsNow(db, assembly) : null,
    balance: assembly ? currentBalance(db, assembly.id) : null,
    jobs: listJobs(db).flatMap((j) => (assembly && (assembly.machine === null || j.machine === assembly.machine) ? [j.id] : [])),
    studs: listComponents(db)
      .filter((c) => c.kind === 'pull-stud' && c.CCMS === holder.coupling)
      .map(({ id, name }) => ({ id, name })),
  }
}
