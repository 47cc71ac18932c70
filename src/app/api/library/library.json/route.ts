import { encodeLibrary } from '@/codecs/library-json'
import { listComponents, listDefinitions } from '@/stations/reads'
import { download } from '../../_api/download'
import { guarded } from '../../_api/guard'

export const dynamic = 'force-dynamic'
export const GET = guarded(['read'], ({ db }) => {
  return download(
    encodeLibrary({ parts: listComponents(db), definitions: listDefinitions(db) }),
    'application/json',
    'library.json',
  )
})
