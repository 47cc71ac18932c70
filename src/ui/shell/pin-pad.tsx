'use client'
import { useEffect, useRef, useState, type FormEvent } from 'react'
import { say } from '@/words/screens/shell'
import { Problem } from '../common/sheet'
import { useShell, type Asking } from './shell-context'

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const
const MOST = 12

/** Asks for somebody's PIN: by keys that gloves can hit, or typed. */
export function PinPad() {
  const { asking, givePin } = useShell()
  const dialog = useRef<HTMLDialogElement>(null)
  const open = asking !== null
  useEffect(() => {
    if (open) dialog.current?.showModal()
    else dialog.current?.close()
  }, [open])
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="pin-title" onClose={() => open && void givePin(null)}>
      {asking && <Pad key={asking.personId} asking={asking} give={givePin} />}
    </dialog>
  )
}

function Pad({ asking, give }: { readonly asking: Asking; readonly give: (pin: string | null) => Promise<void> }) {
  const [pin, setPin] = useState('')
  const [busy, setBusy] = useState(false)
  const field = useRef<HTMLInputElement>(null)
  const send = async (event: FormEvent) => {
    event.preventDefault()
    if (busy || pin === '') return
    setBusy(true)
    await give(pin).finally(() => setBusy(false))
    setPin('')
    // the next try can be typed at once
    field.current?.focus()
  }
  const put = (digit: string) => setPin((now) => (now + digit).slice(0, MOST))
  return (
    <form className="modal-box max-w-[380px]" onSubmit={(event) => void send(event)}>
      <h2 id="pin-title" className="text-2xl font-bold">
        {say.pinOf(asking.name)}
      </h2>
      <input
        ref={field}
        className="input figures mt-3 h-14 w-full text-center text-[32px] tracking-[0.3em]"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        autoFocus
        aria-label={say.pin}
        maxLength={MOST}
        value={pin}
        onChange={(event) => setPin(event.target.value.replace(/\D/g, ''))}
      />
      <div className="mt-3 grid grid-cols-3 gap-2.5">
        {KEYS.map((digit) => (
          <PadKey key={digit} name={digit} press={() => put(digit)} />
        ))}
        <PadKey name={say.pinClear} press={() => setPin('')} />
        <PadKey name="0" press={() => put('0')} />
        <PadKey name={say.pinCancel} press={() => void give(null)} />
      </div>
      <Problem lead={say.notSignedIn} text={asking.problem} />
      <button type="submit" className="btn btn-primary btn-lg mt-3 w-full" disabled={busy || pin === ''}>
        {say.signIn}
      </button>
    </form>
  )
}

const PadKey = ({ name, press }: { readonly name: string; readonly press: () => void }) => (
  <button type="button" className="btn btn-outline font-head h-14 text-2xl" onClick={press}>
    {name}
  </button>
)
