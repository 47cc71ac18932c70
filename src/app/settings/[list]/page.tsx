import { notFound } from 'next/navigation'
import { isLead } from '@/core/tool'
import { readRows } from '@/stations/set-up/pages'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { RowList } from '@/ui/settings/row-list'
import { isListPath, LIST_PATHS } from '@/ui/settings/set-up-words'
import { say } from '@/words/screens/settings'
import { signedIn } from '../../_server/context'

interface At {
  readonly params: Promise<{ readonly list: string }>
}

export async function generateMetadata({ params }: At) {
  const { list } = await params
  return { title: isListPath(list) ? say.lists[list] : say.settings }
}

export default async function ListPage({ params }: At) {
  const { list: path } = await params
  if (!isListPath(path)) notFound()
  const { db, unit, person } = await signedIn()
  return (
    <>
      <KeepFresh />
      <div />
      <RowList path={path} rows={readRows(db, LIST_PATHS[path], unit)} unit={unit} lead={isLead(person)} />
    </>
  )
}
