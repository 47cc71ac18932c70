/** The human lines of a label: small Liquid templates that a shop writes for each machine. */
import { type HandoverValues, writtenLengthMm } from '@/core/handover'
import { controlT, tableOf, type LabelLayout, type Machine } from '@/core/tool'
import { fail, formatLength, ok, unitMark, type Result } from '@/core/units'
import { filledIn, templateEngine } from './template'

/** The few words of its own that a label has. */
export interface LabelSayings {
  readonly copy: (t: number, number: number) => string
  readonly fromGaugeLine: (axis: 'L' | 'Z', size: string) => string
  readonly fromMaster: (size: string) => string
  readonly radius: (size: string) => string
  readonly tip: (orientation: number) => string
  readonly pocket: (pocket: number) => string
  readonly issue: (issue: number) => string
  readonly balance: (grade: number, rpm: number) => string
}

export interface LabelWords {
  readonly say: LabelSayings
  readonly values: HandoverValues
  readonly machine: Machine | null
  readonly name: string
  readonly who: string
  /** When it was released: in the shop's time, with its zone. */
  readonly when: string
  /** What a concession says, for its own line; null where there is none. */
  readonly concession: string | null
  /** The job it was built for; empty when it has none. */
  readonly job: string
}

function sisterText(t: number, sister: number, machine: Machine, say: LabelSayings): string {
  const own = controlT({ t, sister }, machine)
  return own === t ? say.copy(t, sister + 1) : `T${own} (T${t})`
}

/** Everything that a line may name, put into words. */
export type LabelFields = Readonly<Record<string, string>>

export function fieldsOf({ say, values, machine, name, who, when, job, concession }: LabelWords): LabelFields {
  const decimals = machine?.decimals ?? 3
  const mark = unitMark(values.unit)
  const size = (mm: number) => `${formatLength(mm, values.unit, decimals)} ${mark}`
  const across = machine?.sizeRegister === 'diameter' ? `Ø ${size(2 * values.radiusMm)}` : say.radius(size(values.radiusMm))
  const lathe = values.tip !== undefined
  return {
    t: machine && values.sister ? sisterText(values.t, values.sister, machine, say) : `T${values.t}`,
    serial: values.serial,
    name,
    length: say.fromGaugeLine(lathe ? 'Z' : 'L', size(values.lengthMm)),
    offset:
      machine && tableOf(machine).lengthFrom.type === 'master'
        ? say.fromMaster(size(writtenLengthMm(values.lengthMm, machine)))
        : '',
    size: lathe ? `X ${across}` : across,
    corner: values.cornerRadiusMm === null ? '' : `R ${size(values.cornerRadiusMm)}`,
    tip: values.tip === undefined ? '' : say.tip(values.tip),
    machine: machine?.name ?? values.machine,
    pocket: values.pocket === null ? '' : say.pocket(values.pocket),
    issue: say.issue(values.issue),
    balance: values.balance ? say.balance(values.balance.grade, values.balance.rpm) : '',
    job,
    who,
    when,
    concession: concession ?? '',
  }
}

const ENGINE = templateEngine()
/** A label is narrower than this in its smallest letters. */
const LONGEST_LINE = 200

/**
 * Fills the lines in; a line that comes out empty is left out.
 * @errors BAD_TEMPLATE with the engine's words
 */
export function fillLabel(
  layout: Pick<LabelLayout, 'title' | 'lines'>,
  fields: LabelFields,
): Result<
  { readonly title: string; readonly lines: readonly string[] },
  { readonly code: 'BAD_TEMPLATE'; readonly detail: string }
> {
  const fill = (template: string) =>
    filledIn(ENGINE.parseAndRenderSync(template, fields)).replace(/\s+/g, ' ').trim().slice(0, LONGEST_LINE)
  try {
    const lines = layout.lines.map(fill).filter(Boolean)
    // nobody may miss these two, whatever a shop writes on its labels
    const must = [fields.offset, fields.concession].filter((text) => text && !lines.some((line) => line.includes(text)))
    return ok({ title: fill(layout.title), lines: [...lines, ...must] })
  } catch (error) {
    return fail({ code: 'BAD_TEMPLATE', detail: error instanceof Error ? error.message.split('\n')[0] : 'unknown' })
  }
}

export const labelLines = (layout: Pick<LabelLayout, 'title' | 'lines'>, words: LabelWords) => fillLabel(layout, fieldsOf(words))
