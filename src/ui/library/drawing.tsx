'use client'
import { useGo, useHere } from '../common/going'
import { useRef, useState } from 'react'
import { FileInput } from '../common/file-input'
import { SmallAction, SmallActions } from '../common/actions'
import { Problem } from '../common/sheet'
import { say } from '@/words/screens/library'

/** Picture or drawing of a part, and the press that changes it. */
export function PartDrawing({ id, drawing }: { readonly id: string; readonly drawing: string | null }) {
  const router = useGo()
  const picker = useRef<HTMLInputElement>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [turn, setTurn] = useState(0)
  const address = useHere()(`/api/library/parts/${encodeURIComponent(id)}/drawing`)
  const take = async (file: File | undefined) => {
    if (!file) return
    const answer = await fetch(address, { method: 'PUT', body: file }).catch(() => null)
    if (answer?.ok) {
      setProblem(null)
      setTurn((n) => n + 1)
      return router.refresh()
    }
    const said = (await answer?.json().catch(() => null)) as { detail?: string } | null
    setProblem(said?.detail ?? say.noAnswerFromTheTool)
  }
  return (
    <div className="mt-3">
      {drawing &&
        (drawing.endsWith('.pdf') ? (
          <a className="row-link text-lg" href={address} target="_blank">
            {say.openTheDrawingPdf}
          </a>
        ) : (
          // eslint-disable-next-line @next/next/no-img-element -- a file of this shop, behind its own door
          <img src={`${address}?${turn}`} alt={say.pictureOf(id)} className="border-rule max-h-64 w-full border object-contain" />
        ))}
      <SmallActions>
        <SmallAction onAct={() => picker.current?.click()}>
          {drawing ? say.anotherPictureOrDrawing : say.addAPictureOrDrawing}
        </SmallAction>
      </SmallActions>
      <FileInput
        picker={picker}
        label={say.pictureOrDrawing}
        accept="image/png,image/jpeg,application/pdf"
        take={([file]) => void take(file)}
      />
      <Problem lead={say.notKept} text={problem} />
    </div>
  )
}
