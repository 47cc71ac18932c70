'use client'
import { useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import { say } from '@/words/screens/measure'

/** A lead lets measuring go on for this shift although the check is due, with a reason. */
export function Overrule({ overrule }: { readonly overrule: Ask<typeof measure.overruleCheck> }) {
  const { busy, problem, run } = useAct()
  const [reason, setReason] = useState('')
  return (
    <form className="mb-2.5">
      <Problem lead={say.notApproved} text={problem} />
      <TextField label={say.orGoOnWithoutIt} value={reason} onChange={(e) => setReason(e.target.value)} />
      <SmallActions>
        <SmallAction disabled={busy || reason.trim().length < 3} onAct={() => void run(() => overrule({ reason }))}>
          {say.approveAsLead}
        </SmallAction>
      </SmallActions>
    </form>
  )
}
