import { isLead } from '@/core/tool'
import { leadOnlyText, type LeadOnly } from '@/words/refusals'
import { say } from '@/words/screens/shell'
import { Say } from '../common/sheet'
import { useShell } from './shell-context'

/** Whether a lead works at this terminal. */
export const useLead = (): boolean => isLead(useShell().person)

/** Said before anybody types: what only a lead can save. */
export function LeadsOnly({ what }: { readonly what: LeadOnly }) {
  if (useLead()) return null
  return (
    <Say tone="todo" lead={say.askALead}>
      {leadOnlyText(what)}
    </Say>
  )
}
