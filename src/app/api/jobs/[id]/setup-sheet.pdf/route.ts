import { labelFonts } from '@/runtime'
import { readSetup } from '@/stations/kit/setup-sheet'
import { timeWithZone } from '@/words/time'
import { setupRows } from '../../../../_parts/setup-rows'
import { plainText } from '../../../../_server/params'
import { guarded } from '../../../_api/guard'
import { problem } from '../../../_api/problem'
import { refused } from '../../../_api/refused'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** The setup sheet of a job, A4. */
export const GET = guarded(['read'], async ({ db, clock, heavy }, _request, { id }) => {
  const now = clock.now()
  const sheet = readSetup(db, plainText(id), now)
  if (!sheet) return problem(404, 'UNKNOWN_JOB', say.thereIsNoJob(plainText(id).slice(0, 40)))
  const { job, machine } = sheet
  const pdf = await heavy.setupSheet(
    {
      title: say.forIdName(job.id, machine.name),
      about: say.startsLengthsFromTheGauge(
        job.name,
        job.quantity,
        job.quantity === 1 ? 'part' : 'parts',
        timeWithZone(job.dueAt),
        machine.unit,
      ),
      foot: say.printedValuesChangeWhenA(timeWithZone(now)),
      rows: setupRows(db, sheet),
    },
    labelFonts(),
  )
  if (!pdf.ok) return refused(pdf.error)
  return new Response(new Uint8Array(pdf.value), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${job.id.replace(/[^\w.-]/g, '_')}-setup.pdf"`,
    },
  })
})
