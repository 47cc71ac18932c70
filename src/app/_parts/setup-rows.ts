import type { SheetRow } from '@/codecs/setup-sheet'
import { formatLength, unitMark } from '@/core/units'
import type { Shop } from '@/runtime'
import type { SetupLine, SetupSheet } from '@/stations/kit/setup-sheet'
import { standingText } from '@/ui/kit/standing'
import { namesFor } from '@/stations/kit/pages'
import { gradeText, speedText } from '@/words/balance'
import { say } from '@/words/screens/shell'

/** Rows of a setup sheet as text, in the machine's own unit. */
export function setupRows(db: Shop['db'], { job, machine, lines }: SetupSheet): SheetRow[] {
  const names = namesFor(
    db,
    lines.map((l) => l.tool),
    job.id,
  )
  const { unit } = machine
  const size = (mm: number | null, decimals: number) =>
    mm === null ? '–' : `${formatLength(mm, unit, decimals)} ${unitMark(unit)}`
  const exact = (line: SetupLine) => (line.measured ? (unit === 'mm' ? 3 : 4) : unit === 'mm' ? 1 : 2)
  return lines.map((line) => ({
    t: `T${line.tool.wanted.t}`,
    name: `${line.name}${line.tool.sister ? say.sisterNumber(line.tool.sister) : ''}`,
    holder: `${line.holder}${line.serial ? ` · ${line.serial}` : ''}`,
    figures: [
      ['stick-out', size(line.stickOutMm, unit === 'mm' ? 1 : 2)],
      [line.measured ? say.lfMeasured : say.lfAimed, size(line.LF, exact(line))],
      [line.measured ? say.measured : say.aimed, size(line.DC, exact(line))],
      ['R', line.RE === null ? '–' : size(line.RE, unit === 'mm' ? 2 : 3)],
      ['pocket', line.pocket === null ? '–' : String(line.pocket)],
      ...(line.balance ? [[say.balancedTo, `${gradeText(line.balance.grade)} / ${speedText(line.balance.rpm)}`] as const] : []),
    ],
    standing: standingText(line.tool, names).slice(2),
    profile: line.profile,
  }))
}
