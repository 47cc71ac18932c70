import { mmToUnit, roundTo } from '@/core/units'
import { labelDecimals } from '@/core/handover'
import { readLabel } from '@/stations/load/read-label'
import { asText, readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { refused } from '../../_api/refused'

export const dynamic = 'force-dynamic'

export const POST = guarded(['read', 'load'], async (shop, request) => {
  const body = await readBody(request, ['text/plain'], 4096)
  if (!body.ok) return body.error
  const read = readLabel(shop.db, asText(body.value))
  if (!read.ok) return refused(read.error)
  const { label } = read.value
  const inUnit = (mm: number | null) => (mm === null ? null : roundTo(mmToUnit(mm, label.unit), labelDecimals(label.unit)))
  return Response.json({
    serial: label.serial,
    issue: label.issue,
    t: label.t,
    machine: label.machine,
    length: inUnit(label.lengthMm),
    radius: inUnit(label.radiusMm),
    cornerRadius: inUnit(label.cornerRadiusMm),
    unit: label.unit,
    current: true,
    unknown: label.unknown,
  })
})
