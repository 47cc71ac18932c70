'use client'
import { useGo } from '../common/going'
import { useState } from 'react'
import type { Ask } from '@/stations/contract'
import { voidHandover } from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'
import { SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useContractForm } from '../common/use-contract-form'

/** Takes a hand-over back with a reason, or leads to a new number for a label that was lost. */
export function VoidPanel({ serial, takeBack }: { readonly serial: string; readonly takeBack: Ask<typeof voidHandover> }) {
  const router = useGo()
  const [open, setOpen] = useState(false)
  const form = useContractForm(voidHandover, takeBack, { serial, reason: '' }, { then: () => setOpen(false) })
  return (
    <>
      <Problem lead={say.notVoided} text={form.problem} />
      {open && <TextField label={say.whyItIsVoid} error={form.wrong('reason')} {...form.register('reason')} />}
      <SmallActions>
        {open ? (
          <SmallAction disabled={form.busy} onAct={form.send}>
            {say.takeItBack}
          </SmallAction>
        ) : (
          <>
            <SmallAction onAct={() => router.push(`/hand-over/${serial}?anew=1`)}>{say.newNumber}</SmallAction>
            <SmallAction onAct={() => setOpen(true)}>{say.voidHandOver}</SmallAction>
          </>
        )}
      </SmallActions>
    </>
  )
}
