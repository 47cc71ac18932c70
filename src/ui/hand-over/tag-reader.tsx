'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import type { DecodedTag, TagRecord } from '@/codecs/tag'
import { formatLength, unitMark, type LengthUnit, type Result } from '@/core/units'
import { ScanAction, SmallAction } from '../common/actions'
import { formatWhen } from '../format/due'
import { Problem, Row, Say, Sheet, Title } from '../common/sheet'
import { HANDOVER_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useShell, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import type { Ask, Asked, Said } from '@/stations/contract'
import type * as standIn from '@/stations/stand-in/contract'

type Trick = Asked<typeof standIn.tagTrick>['trick']

const TRICKS: readonly (readonly [Trick, string])[] = [
  ['new', 'a new chip'],
  ['small', 'a small one'],
  ['foreign', 'another maker’s'],
  ['flip', 'flip a bit'],
  ['pull', 'pull it away at the next write'],
]

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
  trick,
}: {
  readonly serial: string | null
  readonly chips: readonly string[]
  readonly read: Result<DecodedTag, Said> | null
  readonly parts: readonly Part[]
  readonly definition: { readonly id: string; readonly name: string } | null
  readonly trick: Ask<typeof standIn.tagTrick>
}) {
  const { unit } = useShell()
  const router = useRouter()
  const { busy, problem, run } = useAct()
  useMarks((scanned): ScanSaid => {
    router.push(`/hand-over/tag?serial=${scanned}`)
    return { title: scanned, text: 'is at the reader', tone: 'todo' }
  })
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={HANDOVER_TABS} label="Sheets of Hand over" />
          <Title lead="Read a tag">{serial ? `the chip in ${serial}` : 'which tool is this?'}</Title>
          {read && !read.ok && (
            <Say tone="off" lead="Nothing read." role="alert">
              {read.error.text}
            </Say>
          )}
          {read?.ok && <Record record={read.value.record} unit={unit} />}
          {parts.length > 0 && (
            <>
              <h2 className="mt-2 text-2xl font-bold">Built from</h2>
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
          )}
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">At the reader</h2>
          <p className="mt-2 text-lg">Hold the chip at the reader, then scan the mark on the holder.</p>
          {read?.ok && (
            <>
              <Row name="Valid copy">
                {read.value.slot}, write {read.value.sequence}
              </Row>
              <Row name="Spare copy">{read.value.otherSlot}</Row>
            </>
          )}
          {definition && (
            <p className="mt-3 text-lg">
              To build it again:{' '}
              <Link className="text-act font-semibold" href={`/library/tools/${encodeURIComponent(definition.id)}`}>
                {definition.name}
              </Link>
            </p>
          )}
          <div className="mt-auto pt-3">
            <Problem lead="Not done." text={problem} />
            {serial && (
              <details className="mb-2.5">
                <summary className="font-head min-h-11 cursor-pointer py-2 text-lg font-semibold">
                  The stand-in’s chip in {serial}
                </summary>
                <div className="grid grid-cols-2 gap-2">
                  {TRICKS.map(([name, words]) => (
                    <SmallAction key={name} disabled={busy} onAct={() => void run(() => trick({ serial, trick: name }))}>
                      {words}
                    </SmallAction>
                  ))}
                </div>
              </details>
            )}
            {chips.length > 0 && <p className="text-soft mb-2 text-base">Chips sit in {chips.join(', ')}.</p>}
            <ScanAction>Scan the holder</ScanAction>
          </div>
        </>
      }
    />
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
  ['lifeUsed', 'Minutes cut'],
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
        <Row name="Length" symbol="LF">
          {size(record.lf)}
        </Row>
      )}
      {record.x !== undefined && (
        <Row name="Radius" symbol="DC/2">
          {size(record.x)}
        </Row>
      )}
      {record.re !== undefined && (
        <Row name="Corner radius" symbol="RE">
          {size(record.re)}
        </Row>
      )}
    </div>
  )
}
