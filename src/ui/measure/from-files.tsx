'use client'
import { useRef, useState } from 'react'
import type { OpenedSet } from '@/workers/pictures.worker'
import type { Shown } from '@/workers/shown'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { FileInput } from '../common/file-input'
import { Problem, Say, Sheet } from '../common/sheet'
import { useShell } from '../shell/shell-context'
import { LivePicture } from './live-picture'
import { PicturesHead } from './pictures-head'
import { SetValues } from './set-values'
import { usePictures } from './use-pictures'
import { warningText } from '@/words/pictures'
import { picturesFaultText } from './pictures-fault'
import { say } from '@/words/screens/camera'

/** A frame set that any camera took, measured by the bench's own rules. */
export function FromFiles({ other }: { readonly other: () => void }) {
  const { unit } = useShell()
  const pictures = usePictures()
  const [opened, setOpened] = useState<OpenedSet | null>(null)
  const [shown, setShown] = useState<Shown | null>(null)
  const [at, setAt] = useState(0)
  const [problem, setProblem] = useState<string | null>(null)
  const picker = useRef<HTMLInputElement>(null)
  const show = async (index: number) => {
    setAt(index)
    setShown((await pictures()?.showPicture(index)) ?? null)
  }
  const open = async (file: File) => {
    setProblem(null)
    const done = await pictures()?.openSet(new Uint8Array(await file.arrayBuffer()))
    if (!done) return
    if (done.ok) {
      setOpened(done.value)
      await show(0)
    } else setProblem(picturesFaultText(done.error))
  }
  return (
    <Sheet
      left={
        <>
          <PicturesHead lead={say.picturesFromFiles}>{say.frameSetsOfAnyCamera}</PicturesHead>
          {opened ? (
            <>
              <LivePicture shown={shown} edges={null} unit={unit} whole />
              <div className="flex max-w-[676px] items-center gap-3">
                <SmallAction onAct={() => void show(at - 1)} disabled={at === 0}>
                  {say.earlier}
                </SmallAction>
                <span className="figures min-w-0 flex-[2] truncate text-center text-lg">
                  {say.ofAtNames(at + 1, opened.names.length, opened.names[at])}
                </span>
                <SmallAction onAct={() => void show(at + 1)} disabled={at === opened.names.length - 1}>
                  {say.next}
                </SmallAction>
              </div>
            </>
          ) : (
            <p className="max-w-[60ch] text-lg">{say.aFrameSetIsA}</p>
          )}
        </>
      }
      right={
        <>
          {opened ? <SetValues set={opened.set} unit={unit} /> : <h2 className="text-2xl font-bold">{say.noSetIsOpen}</h2>}
          <div className="mt-auto pt-3">
            {opened?.set.warnings.slice(0, 3).map(({ edge, warning }, i) => (
              <Say key={i} tone="unsure" lead={say.edgeNumber(edge)}>
                {warningText(edge, warning, unit)}
              </Say>
            ))}
            <Problem lead={say.notMeasured} text={problem} />
            <FileInput
              picker={picker}
              label={say.frameSet}
              accept=".zip,application/zip"
              take={([file]) => file && void open(file)}
            />
            <BigAction onAct={() => picker.current?.click()}>{opened ? say.openAnotherFrameSet : say.openAFrameSet}</BigAction>
            <SmallActions>
              <SmallAction onAct={other}>{say.aCameraOfThisTerminal}</SmallAction>
            </SmallActions>
          </div>
        </>
      }
    />
  )
}
