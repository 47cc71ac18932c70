/** The human lines of a label: small Liquid templates that a shop writes for each machine. */
import { Liquid } from 'liquidjs'
import type { HandoverValues } from '@/core/handover'
import type { LabelLayout, Machine } from '@/core/tool'
import { fail, formatLength, ok, unitMark, type Result } from '@/core/units'

export interface LabelWords {
  readonly values: HandoverValues
  readonly machine: Machine | null
  readonly name: string
  readonly who: string
  /** ISO 8601. */
  readonly releasedAt: string
  /** The job it was built for; empty when it has none. */
  readonly job: string
}

/** What a line may name, with what it means. Lengths carry their unit, in the machine's own. */
export const LABEL_FIELDS: Readonly<Record<string, string>> = {
  t: 'T number',
  serial: 'mark of the holder',
  name: 'what it is',
  length: 'length, or Z on a lathe',
  size: 'radius or diameter, as the machine keeps it',
  corner: 'corner radius',
  tip: 'tip orientation, on a lathe',
  machine: 'which machine',
  pocket: 'pocket, where one is given',
  issue: 'number of the hand-over',
  job: 'job',
  who: 'who released it',
  when: 'when, UTC',
}

function fieldsOf({ values, machine, name, who, releasedAt, job }: LabelWords): Record<string, string> {
  const decimals = machine?.decimals ?? 3
  const mark = unitMark(values.unit)
  const size = (mm: number) => `${formatLength(mm, values.unit, decimals)} ${mark}`
  const across = machine?.sizeRegister === 'diameter' ? `Ø ${size(2 * values.radiusMm)}` : `radius ${size(values.radiusMm)}`
  const lathe = values.tip !== undefined
  return {
    t: `T${values.t}`,
    serial: values.serial,
    name,
    length: `${lathe ? 'Z' : 'L'} ${size(values.lengthMm)}`,
    size: lathe ? `X ${across}` : across,
    corner: values.cornerRadiusMm === null ? '' : `R ${size(values.cornerRadiusMm)}`,
    tip: lathe ? `tip ${values.tip}` : '',
    machine: machine?.name ?? values.machine,
    pocket: values.pocket === null ? '' : `pocket ${values.pocket}`,
    issue: `no. ${values.issue}`,
    job,
    who,
    when: releasedAt.slice(0, 16).replace('T', ' '),
  }
}

/**
 * Fills the lines in; a line that comes out empty is left out.
 * @errors BAD_TEMPLATE with the engine's words
 */
export function labelLines(
  layout: Pick<LabelLayout, 'title' | 'lines'>,
  words: LabelWords,
): Result<
  { readonly title: string; readonly lines: readonly string[] },
  { readonly code: 'BAD_TEMPLATE'; readonly detail: string }
> {
  const engine = new Liquid({ strictFilters: true, strictVariables: true, ownPropertyOnly: true })
  const fields = fieldsOf(words)
  const fill = (template: string) => String(engine.parseAndRenderSync(template, fields)).replace(/\s+/g, ' ').trim()
  try {
    return ok({ title: fill(layout.title), lines: layout.lines.map(fill).filter(Boolean) })
  } catch (error) {
    return fail({ code: 'BAD_TEMPLATE', detail: error instanceof Error ? error.message.split('\n')[0] : 'unknown' })
  }
}
