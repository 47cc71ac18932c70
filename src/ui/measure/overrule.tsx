'use client'
import { overruleCheck } from '@/stations/measure/contract'
import type { Ask } from '@/stations/contract'
import { say } from '@/words/screens/measure'
import { SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useContractForm } from '../common/use-contract-form'

/** A lead lets measuring go on for this shift although the check is due, with a reason. */
export function Overrule({ overrule }: { readonly overrule: Ask<typeof overruleCheck> }) {
  const form = useContractForm(overruleCheck, overrule, { reason: '' })
  return (
    <form className="mb-2.5">
      <Problem lead={say.notApproved} text={form.problem} />
      <TextField label={say.orGoOnWithoutIt} error={form.wrong('reason')} {...form.register('reason')} />
      <SmallActions>
        <SmallAction disabled={form.busy} onAct={form.send}>
          {say.approveAsLead}
        </SmallAction>
      </SmallActions>
    </form>
  )
}
