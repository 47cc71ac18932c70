'use client'
import { useGo } from '../common/going'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { fieldsOf, readRow, SET_UP, type Known, type SetUpList } from '@/core/set-up'
import type { Ask } from '@/stations/contract'
import type * as setUp from '@/stations/set-up/contract'
import { cellFaultText, fieldLabel, rowText } from '@/words/set-up'
import { say } from '@/words/screens/settings'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Problem, Sheet, Title } from '../common/sheet'
import { SETTINGS_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useUnit, useUnsaved } from '../shell/shell-context'
import { LeadsOnly, useLead } from '../shell/lead-only'
import { RowAside } from './row-aside'
import { RowField, type Typed } from './row-field'
import { LIST_PATHS, type ListPath } from './set-up-words'

export interface RowActs {
  readonly put: Ask<typeof setUp.putRow>
  readonly retire: Ask<typeof setUp.retireRow>
  readonly standard: Ask<typeof setUp.standardCoupling>
}

export interface RowFormProps {
  readonly path: ListPath
  /** null: a new one. */
  readonly row: setUp.RowView | null
  /** What stands in its fields, in the reader's unit. */
  readonly start: Readonly<Typed>
  readonly posts: readonly string[]
  readonly touches: setUp.Touches | null
  readonly act: RowActs
}

/** Whether a name is known is asked of the server. */
const ANY: Known = { coupling: () => true, post: () => true, part: () => true, place: () => true }

/** The form of a row: checked here as the verb checks it, then saved. */
function useRowForm({ path, row, start, act }: RowFormProps) {
  const list = LIST_PATHS[path]
  const router = useGo()
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const [version, setVersion] = useState(row?.version ?? 0)
  const form = useForm<Typed>({ defaultValues: start })
  useUnsaved(form.formState.isDirty ? say.thisRow(rowText(list)) : null)
  const save = form.handleSubmit(async (typed) => {
    const read = readRow(list, typed, unit, ANY)
    if (!read.ok) {
      for (const [key, fault] of Object.entries(read.error)) form.setError(key, { message: cellFaultText(list, fault, unit) })
      return
    }
    await run(
      () => act.put({ list, name: row?.name ?? null, typed, unit, version }),
      ({ name }) => {
        form.reset(typed)
        setVersion((v) => v + 1)
        router.push(row ? `/settings/${path}` : `/settings/${path}/${encodeURIComponent(name)}`)
      },
      say.rowSaved(row?.name ?? typed[SET_UP[list].by] ?? ''),
    )
  })
  return { list, form, save: () => void save(), busy, problem, version }
}

/** One row of a list, field by field. */
export function RowForm(props: RowFormProps) {
  const { path, row, start, posts, touches, act } = props
  const lead = useLead()
  const { list, form, save, busy, problem, version } = useRowForm(props)
  const fields = fieldsOf(list)
  const groups = [...new Set(fields.map(([, { group }]) => group))]
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={SETTINGS_TABS} label={say.settings} />
          <Title lead={row ? start.name || row.name : say.newRow(rowText(list))}>
            {row && row.name !== start.name ? row.name : ''}
          </Title>
          <form
            className="flex flex-col gap-4"
            noValidate
            onSubmit={(event) => {
              event.preventDefault()
              save()
            }}
          >
            {groups.map((group) => (
              <fieldset key={group}>
                {groups.length > 1 && (
                  <legend className="text-2xl font-bold">{say.groups[group as keyof typeof say.groups]}</legend>
                )}
                <div className="grid grid-cols-3 gap-x-4 gap-y-2 max-[900px]:grid-cols-2">
                  {fields
                    .filter(([, spec]) => spec.group === group)
                    .map(([key, spec]) => (
                      <RowField
                        key={key}
                        {...{ name: key, spec, form, posts, label: fieldLabel(list, key) }}
                        disabled={!lead || (row !== null && key === SET_UP[list].by)}
                      />
                    ))}
                </div>
              </fieldset>
            ))}
            <button type="submit" hidden />
          </form>
        </>
      }
      right={
        <>
          <RowAside path={path} row={row} touches={touches} />
          {row && lead && <Ends {...{ list, path, row, act, version }} />}
          <div className="mt-auto pt-3">
            <LeadsOnly what="set-up" />
            <Problem lead={say.notSaved} text={problem} />
            {lead && (
              <BigAction disabled={busy} onAct={save}>
                {row ? say.saveChanges : say.saveRow(rowText(list))}
              </BigAction>
            )}
          </div>
        </>
      }
    />
  )
}

/** What ends a row's use, or gives a coupling its standard figures again. */
function Ends({
  list,
  path,
  row,
  act,
  version,
}: {
  readonly list: SetUpList
  readonly path: ListPath
  readonly row: setUp.RowView
  readonly act: RowActs
  readonly version: number
}) {
  const router = useGo()
  const { busy, problem, run } = useAct()
  const back = () => router.push(`/settings/${path}`)
  const { name, retired, origin } = row
  return (
    <div className="mt-3">
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        {list !== 'coupling' && (
          <SmallAction disabled={busy} onAct={() => void run(() => act.retire({ list, name, retired: !retired, version }), back)}>
            {retired ? say.useAgain : say.takeOutOfUse}
          </SmallAction>
        )}
        {(origin === 'changed' || origin === 'own') && (
          <SmallAction disabled={busy} onAct={() => void run(() => act.standard({ name, version }), back)}>
            {origin === 'own' ? say.removeCoupling : say.standardAgain}
          </SmallAction>
        )}
      </SmallActions>
    </div>
  )
}
