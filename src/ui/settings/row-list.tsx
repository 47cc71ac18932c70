import Link from '../common/link'
import { SET_UP } from '@/core/set-up'
import type { LengthUnit } from '@/core/units'
import { unitMark } from '@/core/units'
import type { RowView } from '@/stations/set-up/contract'
import { choiceName, fieldLabel, rowText } from '@/words/set-up'
import { say } from '@/words/screens/settings'
import { SmallAction, SmallActions } from '../common/actions'
import { Sheet, Title } from '../common/sheet'
import { SETTINGS_TABS, SubNav } from '../common/sub-nav'
import { LIST_PATHS, SHOWN, type ListPath } from './set-up-words'

/** One list of what the shop has: a row leads to its form. */
export function RowList({
  path,
  rows,
  unit,
  lead,
}: {
  readonly path: ListPath
  readonly rows: readonly RowView[]
  readonly unit: LengthUnit
  readonly lead: boolean
}) {
  const list = LIST_PATHS[path]
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={SETTINGS_TABS} label={say.settings} />
          <Title lead={say.lists[path]}>{say.listsAbout[path]}</Title>
          {rows.length === 0 ? <p className="text-lg">{say.noRows[path]}</p> : <RowTable {...{ path, rows, unit }} />}
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.addRow[path]}</h2>
          {lead ? (
            <SmallActions>
              <SmallAction href={`/settings/${path}/new`}>{say.newRow(rowText(list))}</SmallAction>
              <SmallAction href={`/settings/import?list=${list}`}>{say.fromSpreadsheet}</SmallAction>
            </SmallActions>
          ) : (
            <p className="text-soft">{say.askALeadToAdd}</p>
          )}
          <p className="text-soft mt-3">{say.neverDeleted}</p>
          {path === 'masters' && <p className="text-soft mt-2">{say.certificatesElsewhere}</p>}
        </>
      }
    />
  )
}

function RowTable({
  path,
  rows,
  unit,
}: {
  readonly path: ListPath
  readonly rows: readonly RowView[]
  readonly unit: LengthUnit
}) {
  const list = LIST_PATHS[path]
  const columns = SHOWN[list]
  const spec = (key: string) => SET_UP[list].fields[key as never] as { readonly kind: string }
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say.lists[path]}>
      <table className="table">
        <thead>
          <tr>
            <th scope="col">{fieldLabel(list, list === 'machine' ? 'name' : SET_UP[list].by)}</th>
            {columns.map((key) => (
              <th key={key} scope="col" className={isFigure(spec(key).kind) ? 'text-right' : ''}>
                {fieldLabel(list, key)}
                {spec(key).kind === 'length' && <small> {unitMark(unit)}</small>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.name} className={row.retired ? 'text-soft' : ''}>
              <th scope="row" className="whitespace-nowrap">
                <Link
                  href={`/settings/${path}/${encodeURIComponent(row.name)}`}
                  className="text-act inline-flex min-h-11 items-center gap-2 font-semibold"
                >
                  {list === 'machine' ? row.cells.name : row.name}
                  {row.retired && <small className="font-normal">{say.outOfUse}</small>}
                  {row.used && <small className="font-normal">{say.inUse}</small>}
                  {row.origin === 'changed' && <small className="font-normal">{say.changedHere}</small>}
                  {row.origin === 'own' && <small className="font-normal">{say.ownHere}</small>}
                </Link>
              </th>
              {columns.map((key) => (
                <td
                  key={key}
                  className={
                    isFigure(spec(key).kind) ? 'figures text-right' : isWord(key, spec(key).kind) ? 'whitespace-nowrap' : ''
                  }
                >
                  {choiceName(row.cells[key])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

/** A word that is not to be parted. */
const isWord = (key: string, kind: string) => ['coupling', 'post', 'choice', 'day'].includes(kind) || key === 'standard'
const isFigure = (kind: string) => kind === 'length' || kind === 'count' || kind === 'mass'
