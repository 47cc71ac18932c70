'use client'
import { useGo } from '../common/going'
import { useCallback, useMemo, useState } from 'react'
import type { Person } from '@/core/tool'
import { say } from '@/words/screens/shell'
import type { Asking, ScanSaid, ShellActions } from './shell-context'

/** Signing in by a badge or a tap, and by a PIN where one is asked for. */
export function useSignIn(actions: ShellActions, people: readonly Person[]) {
  const router = useGo()
  const [asking, setAsking] = useState<Asking | null>(null)
  const [stillThere, askStillThere] = useState<string | null>(null)
  const signIn = useCallback(
    async (personId: string): Promise<ScanSaid | null> => {
      const done = await actions.signIn({ personId, pin: null })
      askStillThere(null)
      if (done.ok) return null
      const name = people.find((p) => p.id === personId)?.name ?? personId
      const { code, text } = done.error
      if (code !== 'PIN_NEEDED') return { title: name, text, tone: 'off' }
      setAsking({ personId, name, problem: null })
      return { title: name, text: say.typeYourPin, tone: 'todo' }
    },
    [actions, people],
  )
  const givePin = useCallback(
    async (pin: string | null) => {
      if (pin === null || !asking) return setAsking(null)
      const done = await actions.signIn({ personId: asking.personId, pin })
      if (!done.ok) return setAsking({ ...asking, problem: done.error.text })
      setAsking(null)
      router.refresh()
    },
    [actions, asking, router],
  )
  return useMemo(() => ({ asking, signIn, givePin, stillThere, askStillThere }), [asking, signIn, givePin, stillThere])
}
