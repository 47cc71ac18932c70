'use client'
import Link from '../common/link'
import { useGo } from '../common/going'
import { useState } from 'react'
import type { DecodedTag, TagRecord } from '@/codecs/tag'
import { formatLength, unitMark, type LengthUnit, type Result } from '@/core/units'
import { ScanAction, BigAction } from '../common/actions'
import { formatWhen } from '../format/due'
import { Problem, Row, Say, Sheet, Title } from '../common/sheet'
import { HANDOVER_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useShell, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import type { Ask, Said } from '@/stations/contract'
import type * as standIn from '@/stations/stand-in/contract'
import { TagTricks } from '../stand-in/tricks'
import { say } from '@/words/screens/hand-over'
import { hasNfc, readChip } from './nfc'

interface Part {
  readonly id: string
  readonly name: string
  readonly count: number
}

/** What was this tool? A tag read anywhere says so, and what to build it from again. */
export function TagReader({
  serial,
  chips,
  read,
  parts,
  definition,
  nfc,
  trick,
}: {
  readonly serial: string | null
  readonly chips: readonly string[]
  readonly read: Result<DecodedTag, Said> | null
  readonly parts: readonly Part[]
  readonly definition: { readonly id: string; readonly name: string } | null
  /** Whether the tablet itself reads chips. */
  readonly nfc: boolean
  readonly trick: Ask<typeof standIn.tagTrick>
}) {
  const { unit } = useShell()
  const router = useGo()
  const { busy, problem, run } = useAct()
  useMarks((scanned): ScanSaid => {
    router.push(`/hand-over/tag?serial=${scanned}`)
    return { title: scanned, text: say.isAtTheReader, tone: 'todo' }
  })
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={HANDOVER_TABS} label={say.sheetsOfHandOver} />
          <Title lead={say.readATag}>{serial ? say.theChipIn(serial) : say.whichToolIsThis}</Title>
          {read && !read.ok && (
            <Say tone="off" lead={say.nothingRead} role="alert">
              {read.error.text}
            </Say>
          )}
          {read?.ok && <Record record={read.value.record} unit={unit} />}
          <Parts parts={parts} />
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.atTheReader}</h2>
          <p className="mt-2 text-lg">{say.holdTheChipAtThe}</p>
          {read?.ok && (
            <>
              <Row name={say.validCopy}>{say.writeOf(read.value.slot, read.value.sequence)}</Row>
              <Row name={say.spareCopy}>{read.value.otherSlot}</Row>
            </>
          )}
          {definition && (
            <p className="mt-3 text-lg">
              {say.toBuildItAgain}{' '}
              <Link className="text-act font-semibold" href={`/library/tools/${encodeURIComponent(definition.id)}`}>
                {definition.name}
              </Link>
            </p>
          )}
          <div className="mt-auto pt-3">
            <Problem lead={say.notDone} text={problem} />
            {serial && <TagTricks serial={serial} busy={busy} run={run} trick={trick} />}
            {chips.length > 0 && <p className="text-soft mb-2 text-base">{say.chipsSitIn(chips.join(', '))}</p>}
            {nfc ? (
              <ReadByTablet open={(bytes) => router.push(`/hand-over/tag?bytes=${encodeURIComponent(bytes)}`)} />
            ) : (
              <ScanAction>{say.scanTheHolder}</ScanAction>
            )}
          </div>
        </>
      }
    />
  )
}

/** The chip held at the tablet. */
function ReadByTablet({ open }: { readonly open: (bytes: string) => void }) {
  const [state, setState] = useState<'ready' | 'holding' | 'gone' | 'none'>('ready')
  const read = async () => {
    if (!hasNfc()) return setState('none')
    setState('holding')
    const bytes = await readChip().catch(() => null)
    setState(bytes === null ? 'gone' : 'ready')
    if (bytes !== null) open(bytes)
  }
  return (
    <>
      <Problem lead={say.nothingRead} text={state === 'none' ? say.noNfcHere : state === 'gone' ? say.chipGone : null} />
      <BigAction disabled={state === 'holding'} onAct={() => void read()}>
        {state === 'holding' ? say.holdTheChip : say.readWithTablet}
      </BigAction>
    </>
  )
}

/** What the tag says of the parts. */
function Parts({ parts }: { readonly parts: readonly Part[] }) {
  return (
    parts.length > 0 && (
      <>
        <h2 className="mt-2 text-2xl font-bold">{say.builtFrom}</h2>
        <ul className="max-w-[676px]">
          {parts.map((p) => (
            <li key={p.id} className="border-rule flex min-h-11 items-center justify-between border-b">
              <Link className="text-act font-semibold" href={`/library/parts/${encodeURIComponent(p.id)}`}>
                {p.name}
              </Link>
              <span className="text-soft figures">
                {p.count > 1 ? `${p.count} × ` : ''}
                {p.id}
              </span>
            </li>
          ))}
        </ul>
      </>
    )
  )
}

const NAMES: readonly (readonly [keyof TagRecord, string])[] = [
  ['id', 'Holder'],
  ['t', 'T'],
  ['name', 'Tool'],
  ['iss', 'Hand-over'],
  ['m', 'Machine'],
  ['taper', 'Taper'],
  ['n', 'Edges'],
  ['lifeUsed', say.minutesCut],
  ['at', 'Measured'],
]

function Record({ record, unit }: { readonly record: TagRecord; readonly unit: LengthUnit }) {
  const size = (mm: number) => `${formatLength(mm, unit)} ${unitMark(unit)}`
  return (
    <div className="max-w-[676px]" data-testid="tag-record">
      {NAMES.map(([key, name]) =>
        record[key] === undefined ? null : (
          <Row key={key} name={name}>
            {key === 'at' && record.at ? formatWhen(record.at) : String(record[key])}
          </Row>
        ),
      )}
      {record.lf !== undefined && (
        <Row name={say.length} symbol="LF">
          {size(record.lf)}
        </Row>
      )}
      {record.x !== undefined && (
        <Row name={say.radius} symbol="DC/2">
          {size(record.x)}
        </Row>
      )}
      {record.re !== undefined && (
        <Row name={say.cornerRadius} symbol="RE">
          {size(record.re)}
        </Row>
      )}
    </div>
  )
}
