import { getMeasurement } from '@/stations/reads'
import { serialOf } from '../../../../../../_server/params'
import { guarded } from '../../../../../_api/guard'
import { problem } from '../../../../../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** The pictures that a figure of record was measured from, as the frame set they came in. */
export const GET = guarded(['read'], async ({ db, evidence }, _request, { serial, id }) => {
  const measurement = /^\d{1,12}$/.test(id) ? getMeasurement(db, Number(id)) : null
  if (!measurement || measurement.serial !== serialOf(serial))
    return problem(404, 'UNKNOWN_MEASUREMENT', say.noMeasurementOfIsKnown(id, serial))
  const zip = measurement.evidence ? evidence.read(measurement.evidence) : null
  if (!zip) return problem(404, 'NO_PICTURES', measurement.evidence ? say.itsPicturesWereCleanedAway : say.itsValuesWereTyped)
  return new Response(Uint8Array.from(zip), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="${measurement.serial.replace(/[^\w.-]/g, '_')}-${measurement.id}.zip"`,
    },
  })
})
