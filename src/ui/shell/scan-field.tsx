'use client'
import { fromHere } from '../common/going'
import { Camera, ScanBarcode } from 'lucide-react'
import { useState } from 'react'
import { useShell } from './shell-context'
import { say } from '@/words/screens/shell'

/** Shows what the last scan was and did; what is typed into it counts like a scan. */
export function ScanField({ hint = say.scanAHolderAJob }: { readonly hint?: string }) {
  const { last, scan, scans } = useShell()
  const [typed, setTyped] = useState<string | null>(null)
  const said = last?.said
  return (
    <div className="border-ink bg-paper relative flex h-11 min-w-0 flex-1 items-center gap-3 rounded-[3px] border-[1.5px] px-3">
      <ScanBarcode size={24} aria-hidden="true" className="shrink-0" />
      <input
        id="scan-field"
        aria-label={say.scanOrTypeACode}
        className="font-head absolute inset-0 h-full w-full bg-transparent pl-12 text-[19px] font-semibold outline-none focus:bg-[var(--color-base-100)]"
        style={{ opacity: typed === null ? 0 : 1, zIndex: typed === null ? 0 : 2 }}
        value={typed ?? ''}
        autoComplete="off"
        onFocus={() => setTyped('')}
        onBlur={() => setTyped(null)}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') event.currentTarget.blur()
          if (event.key !== 'Enter' || !typed?.trim()) return
          scan(typed.trim())
          setTyped('')
          event.currentTarget.blur()
        }}
      />
      <div
        aria-live="polite"
        data-testid="scan-answer"
        data-scans={scans}
        data-busy={last !== null && (!last.said || last.arriving === true)}
        className="pointer-events-none z-1 flex min-w-0 items-baseline gap-3"
      >
        {last ? (
          <>
            <b className="font-head shrink-0 text-[19px] font-semibold">{said?.title ?? last.scan.slice(0, 24)}</b>
            <span className={`truncate ${said ? TONE[said.tone] : 'text-soft'}`} title={said?.text}>
              {said ? `${said.tone === 'off' ? '◆ ' : said.tone === 'holds' ? '● ' : ''}${said.text}` : say.lookingUp}
            </span>
          </>
        ) : (
          <span className="text-soft truncate">{hint}</span>
        )}
      </div>
    </div>
  )
}

/** A code out of a picture, by the terminal's camera or from a file: it counts like a scan. */
export function FromPicture() {
  const { scan, sayScan } = useShell()
  const [busy, setBusy] = useState(false)
  const read = async (file: File | undefined) => {
    if (!file || busy) return
    setBusy(true)
    const off = (text: string) => sayScan({ title: say.picture, text, tone: 'off' })
    try {
      const answer = await fetch(fromHere('/api/codes/read'), {
        method: 'POST',
        headers: { 'content-type': file.type },
        body: file,
      })
      const said = (await answer.json()) as { codes?: string[]; detail?: string }
      if (answer.ok && said.codes?.length) scan(said.codes[0])
      else off(said.detail ?? say.noCodeCanBeRead)
    } catch {
      off(say.noAnswerFromTheToolRoomCheck)
    } finally {
      setBusy(false)
    }
  }
  return (
    <label
      className="border-ink has-focus-visible:outline-act grid h-11 w-11 shrink-0 cursor-pointer place-items-center rounded-[3px] border-[1.5px] has-focus-visible:outline-2"
      title={say.readACodeFromA}
    >
      <Camera size={22} aria-hidden="true" className={busy ? 'text-soft' : ''} />
      <input
        type="file"
        className="sr-only"
        aria-label={say.readACodeFromA}
        accept="image/png,image/jpeg"
        capture="environment"
        onChange={(event) => {
          void read(event.target.files?.[0])
          event.target.value = ''
        }}
      />
    </label>
  )
}

export const TONE = { holds: 'text-holds', off: 'text-off', todo: 'text-soft' } as const
