import { SET_UP_LISTS, type SetUpList } from '@/core/set-up'
import { TableImport } from '@/ui/settings/table-import'
import { say } from '@/words/screens/settings'
import { previewTableAction, putTableAction } from '../actions'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.fromSpreadsheet }

export default async function ImportPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ readonly list?: string | string[] }>
}) {
  await signedIn()
  const { list } = await searchParams
  const first = SET_UP_LISTS.find((one) => one === list) ?? ('machine' satisfies SetUpList)
  return (
    <>
      <div />
      <TableImport first={first} preview={previewTableAction} put={putTableAction} />
    </>
  )
}
