import { notFound } from 'next/navigation'
import { readRowPage } from '@/stations/set-up/pages'
import { RowForm } from '@/ui/settings/row-form'
import { isListPath, LIST_PATHS } from '@/ui/settings/set-up-words'
import { say } from '@/words/screens/settings'
import { signedIn } from '../../../_server/context'
import { plainText } from '../../../_server/params'
import { putRowAction, retireRowAction, standardCouplingAction } from '../../actions'

export const metadata = { title: say.settings }

const ACT = { put: putRowAction, retire: retireRowAction, standard: standardCouplingAction }

/** No row is called so. */
const NEW = 'new'

export default async function RowPage({
  params,
}: {
  readonly params: Promise<{ readonly list: string; readonly name: string }>
}) {
  const { list: path, name } = await params
  if (!isListPath(path)) notFound()
  const { db, unit } = await signedIn()
  const page = readRowPage(db, LIST_PATHS[path], name === NEW ? null : plainText(name), unit)
  if (!page) notFound()
  return (
    <>
      <div />
      <RowForm key={`${path}/${name}/${unit}`} path={path} {...page} act={ACT} />
    </>
  )
}
