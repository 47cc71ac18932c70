import { labelDecimals } from '@/core/handover'
import { mmToUnit, roundTo } from '@/core/units'
import { currentRecord } from '@/stations/load/current-record'
import { plainText } from '../../../../../_server/params'
import { guarded } from '../../../../_api/guard'
import { problem } from '../../../../_api/problem'
import { refused } from '../../../../_api/refused'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const MOST_CODE = 4096

/** The machine asks for the tool in front of it: by the holder's mark, or by the text of its label. */
export const GET = guarded(['read', 'load'], (shop, _request, { key, code }) => {
  const text = plainText(code)
  if (text.length > MOST_CODE) return problem(413, 'TOO_LARGE', say.aLabelsTextHasKb)
  const record = currentRecord(shop.db, plainText(key), text)
  if (!record.ok) return refused(record.error)
  const { handover, machine, registers } = record.value
  const { values } = handover
  const size = (mm: number | null) => (mm === null ? null : roundTo(mmToUnit(mm, values.unit), labelDecimals(values.unit)))
  return Response.json({
    serial: values.serial,
    issue: values.issue,
    t: values.t,
    machine: machine.key,
    unit: values.unit,
    length: size(values.lengthMm),
    radius: size(values.radiusMm),
    cornerRadius: size(values.cornerRadiusMm),
    tip: values.tip ?? null,
    measuredAt: values.measuredAt,
    releasedAt: handover.releasedAt,
    current: true,
    registers: registers.map(({ number, register, rounded }) => ({ number, register, value: rounded })),
  })
})
