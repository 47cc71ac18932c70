'use client'
import { useEffect, useRef } from 'react'
import { pageOf } from '@/core/practice'
import { useShell } from './shell-context'
import { say } from '@/words/screens/shell'

/** Links of the page go through the shell, which asks before something unsaved is left. */
export function Leaving() {
  const { leaving, leave, go, hasUnsaved } = useShell()
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => {
    if (leaving) dialog.current?.showModal()
    else dialog.current?.close()
  }, [leaving])
  useEffect(() => {
    const onClick = (event: MouseEvent) => {
      if (!hasUnsaved() || event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey)
        return
      const link = event.target instanceof Element ? event.target.closest<HTMLAnchorElement>('a[href]') : null
      if (!link || link.target || link.hasAttribute('download') || link.origin !== window.location.origin) return
      const to = `${link.pathname}${link.search}`
      if (pageOf(link.pathname).startsWith('/api/') || link.getAttribute('href')?.startsWith('#')) return
      event.preventDefault()
      go(to)
    }
    // before the framework's own handling of links
    document.addEventListener('click', onClick, true)
    return () => document.removeEventListener('click', onClick, true)
  }, [go, hasUnsaved])
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="leaving-title" onClose={() => leaving && leave(false)}>
      <div className="modal-box">
        <h2 id="leaving-title" className="text-2xl font-bold">
          {say.isNotSaved(leaving?.what ?? say.something)}
        </h2>
        <p className="mt-2 text-lg">{say.stayToSaveItOr}</p>
        <div className="mt-4 flex gap-3">
          <button autoFocus className="btn btn-primary btn-lg flex-1" onClick={() => leave(false)}>
            {say.stayHere}
          </button>
          <button className="btn btn-outline btn-lg flex-1" onClick={() => leave(true)}>
            {say.leaveWithoutSaving}
          </button>
        </div>
      </div>
    </dialog>
  )
}
