'use client'
import { useGo } from '../common/going'
import { BigAction } from '../common/actions'

/** The next thing to do for a job: a link as the big action. */
export function GoTo({ href, children }: { readonly href: string; readonly children: string }) {
  const router = useGo()
  return <BigAction onAct={() => router.push(href)}>{children}</BigAction>
}
