import { carrierTag } from '@/stations/hand-over/nfc'
import { readTag } from '@/stations/hand-over/pages'
import { TagReader } from '@/ui/hand-over/tag-reader'
import { signedIn } from '../../_server/context'
import { serialOf } from '../../_server/params'
import { fail } from '@/core/units'
import { inWords } from '../../_server/action'
import { tagTrickAction } from '../../stand-in/actions'
import { say } from '@/words/screens/hand-over'

export const metadata = { title: say.readATag }

export default async function TagPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ serial?: string | string[]; bytes?: string | string[] }>
}) {
  const { serial: asked, bytes } = await searchParams
  const serial = typeof asked === 'string' && asked ? serialOf(asked) : null
  const shop = await signedIn()
  const { chips, read, parts, definition } = await readTag(
    shop.db,
    typeof bytes === 'string' ? carrierTag(bytes) : serial === null ? null : shop.tagOf(serial),
  )
  return (
    <>
      <div />
      <TagReader
        key={serial ?? ''}
        serial={serial}
        chips={chips}
        read={read && (read.ok ? read : fail(inWords(read.error, shop)))}
        parts={parts}
        definition={definition}
        nfc={shop.devices().tag === 'nfc'}
        trick={tagTrickAction}
      />
    </>
  )
}
