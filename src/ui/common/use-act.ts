'use client'
import { useState } from 'react'
import { toast } from 'sonner'
import type { Result } from '@/core/units'
import { useShell } from '../shell/shell-context'
import { say } from '@/words/screens/shell'

export type Run = ReturnType<typeof useAct>['run']

/** Runs an action once at a time and keeps what went wrong, in words. */
export function useAct() {
  const { hold, askStillThere } = useShell()
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  async function run<T>(
    action: () => Promise<Result<T, { readonly code?: string; readonly text: string }>>,
    then?: (value: T) => void,
    /** What was done, for work that leaves no trace on its sheet. */
    said?: string,
  ): Promise<boolean> {
    if (busy) return false
    setBusy(true)
    setProblem(null)
    try {
      const asked = action()
      // a scan that comes meanwhile waits
      hold(asked)
      const done = await asked
      // the answer brings the page as it is now; it is taken in before another one is opened
      await new Promise((later) => setTimeout(later))
      if (done.ok) {
        then?.(done.value)
        if (said) toast(said)
      } else if (done.error.code === 'ASK_AGAIN') askStillThere(done.error.text)
      else setProblem(done.error.text)
      return done.ok
    } catch {
      setProblem(say.noAnswerFromTheToolRoom)
      return false
    } finally {
      setBusy(false)
    }
  }
  return { busy, problem, setProblem, run }
}
