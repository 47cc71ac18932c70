import { listDefinitions, namesOf } from '@/db/library/read'
import { listSimTags } from '@/db/truth/read'
import { readTagNow } from '@/stations/hand-over/write-tag'
import { TagReader } from '@/ui/hand-over/tag-reader'
import { context } from '../../_server/context'
import { serialOf } from '../../_server/params'
import { fail } from '@/core/units'
import { inWords } from '../../_server/action'
import { tagTrickAction } from '../../stand-in/actions'

export const metadata = { title: 'Read a tag' }

export default async function TagPage({ searchParams }: { readonly searchParams: Promise<{ serial?: string | string[] }> }) {
  const { serial: asked } = await searchParams
  const serial = typeof asked === 'string' && asked ? serialOf(asked) : null
  const shop = await context()
  const read = serial === null ? null : await readTagNow(shop.tagOf(serial))
  const bom = read?.ok ? (read.value.record.bom ?? []) : []
  const definition = read?.ok
    ? listDefinitions(shop.db).find((d) => d.t === read.value.record.t && d.machines.includes(read.value.record.m ?? ''))
    : undefined
  return (
    <>
      <div />
      <TagReader
        key={serial ?? ''}
        serial={serial}
        chips={listSimTags(shop.db)}
        read={read && (read.ok ? read : fail(inWords(read.error, shop.unit)))}
        parts={[...namesOf(shop.db, bom)].map(([id, name]) => ({ id, name, count: bom.filter((b) => b === id).length }))}
        definition={definition ? { id: definition.id, name: definition.name } : null}
        trick={tagTrickAction}
      />
    </>
  )
}
