'use client'
import { useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'

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
      <summary className="text-act font-head min-h-11 cursor-pointer py-2 text-lg font-semibold">Its code as text</summary>
      <code className="bg-ground block p-2 text-[15px] break-all select-all">{text}</code>
      <p className="text-soft" role="status">
        {copied === false
          ? 'It could not be copied. Mark the text and copy it yourself.'
          : copied
            ? 'Copied. Put it into the field at the top and press Enter.'
            : 'No scanner? Type or put it into the field at the top and press Enter.'}
      </p>
      <SmallActions>
        <SmallAction onAct={copy}>Copy</SmallAction>
      </SmallActions>
    </details>
  )
}
