'use client'
import { useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { say } from '@/words/screens/hand-over'

/** What the code on the label says, to copy or type where there is no scanner. */
export function LabelWords({ text }: { readonly text: string }) {
  const [copied, setCopied] = useState<boolean | null>(null)
  const copy = () =>
    void navigator.clipboard.writeText(text).then(
      () => setCopied(true),
      () => setCopied(false),
    )
  return (
    <details>
      <summary className="fold">{say.itsCodeAsText}</summary>
      <code className="bg-ground block p-2 text-[15px] break-all select-all">{text}</code>
      <p className="text-soft" role="status">
        {copied === false ? say.itCouldNotBeCopied : copied ? say.copiedPutItIntoThe : say.noScannerTypeOrPut}
      </p>
      <SmallActions>
        <SmallAction onAct={copy}>{say.copy}</SmallAction>
      </SmallActions>
    </details>
  )
}
