'use client'
import { useEffect, useRef } from 'react'
import { say } from '@/words/screens/shell'
import { useShell } from './shell-context'

/** After a quiet time, before a machine is written to: is it still the same person? A badge answers as well. */
export function StillThere() {
  const { stillThere, askStillThere, person, people, signIn, sayScan } = useShell()
  const dialog = useRef<HTMLDialogElement>(null)
  const open = stillThere !== null && person !== null
  useEffect(() => {
    if (open) dialog.current?.showModal()
    else dialog.current?.close()
  }, [open])
  const enter = (id: string) => void signIn(id).then((said) => said?.tone === 'off' && sayScan(said))
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="still-there" onClose={() => open && askStillThere(null)}>
      {open && (
        <div className="modal-box max-w-[520px]">
          <h2 id="still-there" className="text-2xl font-bold">
            {say.whoIsThere}
          </h2>
          <p className="mt-2 text-lg">{stillThere}</p>
          <button className="btn btn-primary btn-lg mt-4 w-full" autoFocus onClick={() => enter(person.id)}>
            {say.stillName(person.name)}
          </button>
          <div className="mt-3 grid grid-cols-2 gap-2.5">
            {people
              .filter(({ id }) => id !== person.id)
              .map(({ id, name }) => (
                <button key={id} className="btn btn-outline h-12 justify-start truncate text-lg" onClick={() => enter(id)}>
                  {name}
                </button>
              ))}
          </div>
          <form method="dialog" className="modal-action">
            <button className="btn btn-outline px-6">{say.pinCancel}</button>
          </form>
        </div>
      )}
    </dialog>
  )
}
