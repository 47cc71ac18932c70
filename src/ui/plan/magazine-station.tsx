'use client'
import { useState } from 'react'
import type { Cell, MagazineOrder, MagazineSheet, MagazineTool } from '@/stations/plan/contract'
import { say } from '@/words/screens/plan'
import { SmallActions, Choices } from '../common/actions'
import { MachineSelect } from '../common/machine-select'
import { PrintButton } from '../common/print-button'
import { Say, Sheet, Title } from '../common/sheet'
import { PLAN_TABS, SubNav } from '../common/sub-nav'
import { formatDue } from '../format/due'

const ORDERS = [
  { key: 'planned', name: say.asPlanned },
  { key: 'fewer', name: say.otherOrder },
] as const

const nameOf = ({ t, sister }: MagazineTool) => `T${t}${sister > 0 ? ` ${say.sister(sister)}` : ''}`
const listed = (tools: readonly MagazineTool[]) => tools.map(nameOf).join(', ')

/** A machine's magazine over its jobs: what comes, is used, stays and goes. */
export function MagazineStation({ sheet, now }: { readonly sheet: MagazineSheet; readonly now: string }) {
  const { machine, machines, pockets, jobs, planned, fewer } = sheet
  const [chosen, setChosen] = useState<'planned' | 'fewer'>('planned')
  const order = chosen === 'fewer' && fewer ? fewer : planned
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PLAN_TABS} label={say.plan} />
          <div className="flex items-center justify-between gap-3">
            <Title lead={machine.name}>{say.magazineAbout(jobs.length, pockets)}</Title>
            <MachineSelect value={machine.key} machines={machines} path="/plan/magazine" />
          </div>
          {jobs.length === 0 ? (
            <p className="text-lg">{say.noJobs}</p>
          ) : order ? (
            <Matrix order={order} sheet={sheet} now={now} />
          ) : (
            <Bad sheet={sheet} />
          )}
        </>
      }
      right={
        order &&
        jobs.length > 0 && (
          <>
            <h2 className="text-2xl font-bold">{say.putIn(order.switches)}</h2>
            <p className="text-soft">{say.inItNow(sheet.loaded.length)}</p>
            {sheet.kept > 0 && <p className="text-soft">{say.keptFree(sheet.kept)}</p>}
            <ol className="mt-2">
              {order.steps.map(({ job, load, unload }) => (
                <li key={job} className="border-rule border-b py-2">
                  <b className="font-head text-xl">{say.listFor(job)}</b>
                  {load.length > 0 && <p className="text-lg">{say.putInList(listed(load))}</p>}
                  {unload.length > 0 && <p className="text-soft text-lg">{say.takeOutList(listed(unload))}</p>}
                  {load.length + unload.length === 0 && <p className="text-soft text-lg">{say.nothingToChange}</p>}
                </li>
              ))}
            </ol>
            <div className="mt-auto pt-3">
              {fewer ? (
                <Choices label={say.whichWay} all={ORDERS} taken={chosen} take={setChosen} />
              ) : (
                <p className="text-soft">{sheet.exact ? say.fewest : say.maybeFewer(sheet.least)}</p>
              )}
              {fewer && chosen === 'fewer' && !sheet.exact && <p className="text-soft mt-1">{say.maybeFewer(sheet.least)}</p>}
              <SmallActions>
                <PrintButton />
              </SmallActions>
            </div>
          </>
        )
      }
    />
  )
}

function Bad({ sheet: { bad, jobs, pockets } }: { readonly sheet: MagazineSheet }) {
  if (!bad) return null
  const text =
    bad.why === 'JOB_TOO_LARGE'
      ? say.tooLarge(jobs[bad.job]?.id ?? '', bad.tools, pockets)
      : bad.why === 'LOADED_TOO_LARGE'
        ? say.loadedTooLarge(bad.tools, pockets)
        : say.loadedTwice(bad.tool)
  return (
    <Say tone="off" lead={say.notPlanned} role="alert">
      {text}
    </Say>
  )
}

const SHAPE: Readonly<Record<Exclude<Cell, null>, readonly [mark: string, look: string]>> = {
  comes: ['+', 'bg-act text-act-ink font-bold'],
  used: ['●', 'bg-base-200'],
  stays: ['·', 'bg-base-200 text-soft'],
  goes: ['−', 'text-off border-off border-[1.5px] font-bold'],
}

/** Jobs across, tools down. */
function Matrix({ order, sheet, now }: { readonly order: MagazineOrder; readonly sheet: MagazineSheet; readonly now: string }) {
  const dueOf = (id: string) => sheet.jobs.find((job) => job.id === id)?.dueAt ?? null
  return (
    <>
      <div className="overflow-auto" tabIndex={0} role="region" aria-label={say.magazine}>
        <table className="border-separate border-spacing-x-0.5 border-spacing-y-px text-lg">
          <thead>
            <tr>
              <th className="pr-4 text-left">{say.columns.tool}</th>
              {order.jobs.map((id) => (
                <th key={id} className="px-2 text-left">
                  {id}
                  <small className="text-soft block text-[15px] font-normal">{formatDue(dueOf(id), new Date(now)).text}</small>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {order.rows.map(({ t, sister, name, cells }) => (
              <tr key={`${t} ${sister}`}>
                <th className="max-w-[260px] truncate pr-4 text-left font-normal">
                  <b className="font-head text-xl">{nameOf({ t, sister })}</b> <span className="text-soft">{name}</span>
                </th>
                {cells.map((cell, i) => (
                  <td key={i} className="p-0">
                    <span
                      className={`flex h-8 min-w-[72px] items-center justify-center ${cell ? SHAPE[cell][1] : ''}`}
                      title={cell ? say.cells[cell] : undefined}
                    >
                      <span aria-hidden="true">{cell ? SHAPE[cell][0] : ''}</span>
                      <span className="sr-only">{cell ? say.cells[cell] : ''}</span>
                    </span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-soft flex flex-wrap gap-x-5">
        {(['comes', 'used', 'stays', 'goes'] as const).map((cell) => (
          <span key={cell} className="flex items-center gap-2">
            <span className={`inline-flex h-6 w-8 items-center justify-center ${SHAPE[cell][1]}`}>{SHAPE[cell][0]}</span>
            {say.cells[cell]}
          </span>
        ))}
      </p>
    </>
  )
}
