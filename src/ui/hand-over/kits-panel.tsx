'use client'
import Link from 'next/link'
import { useState } from 'react'
import { SmallAction } from '../common/actions'
import { DropSaid, useDrop, type DropAction } from './drop-panel'

export interface KitOfMachine {
  readonly machine: string
  readonly name: string
  readonly tools: readonly {
    readonly handover: number
    readonly serial: string
    readonly t: number
    readonly name: string
    readonly job: string | null
  }[]
}

/** What is released and not loaded yet, machine by machine: labels and files of several tools at once. */
export function KitsPanel({ kits, drop }: { readonly kits: readonly KitOfMachine[]; readonly drop: DropAction }) {
  return (
    <>
      {kits.map((kit) => (
        <Kit key={kit.machine} kit={kit} drop={drop} />
      ))}
    </>
  )
}

function Kit({ kit, drop }: { readonly kit: KitOfMachine; readonly drop: DropAction }) {
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set())
  const now = useDrop(drop)
  const chosen = kit.tools.filter((t) => !left.has(t.handover)).map((t) => t.handover)
  const toggle = (id: number) => {
    const next = new Set(left)
    if (!next.delete(id)) next.add(id)
    setLeft(next)
  }
  return (
    <section className="mb-4">
      <h2 className="text-2xl font-bold">
        {kit.name}{' '}
        <small className="text-soft text-lg font-medium">
          {kit.tools.length === 1 ? 'one tool' : `${kit.tools.length} tools`} released
        </small>
      </h2>
      <ul className="border-rule border-t">
        {kit.tools.map((tool) => (
          <li key={tool.handover} className="border-rule flex min-h-12 items-center gap-3 border-b">
            <label className="grid h-12 w-11 place-items-center">
              <input
                type="checkbox"
                className="h-5 w-5 accent-[var(--color-act)]"
                checked={!left.has(tool.handover)}
                onChange={() => toggle(tool.handover)}
                aria-label={`T${tool.t} ${tool.serial}`}
              />
            </label>
            <b className="font-head figures w-14 text-xl">T{tool.t}</b>
            <Link className="text-act min-w-0 flex-1 truncate font-semibold" href={`/hand-over/${tool.serial}`}>
              {tool.name}
            </Link>
            <span className="text-soft">{tool.job ?? tool.serial}</span>
          </li>
        ))}
      </ul>
      <DropSaid drop={now} />
      <div className="mt-2.5 flex gap-2.5">
        <SmallAction disabled={now.busy || chosen.length === 0} onAct={() => now.put(chosen)}>
          File to folder
        </SmallAction>
        <SmallAction href={`/api/handovers/labels.pdf?ids=${chosen.join(',')}`}>Labels</SmallAction>
        <SmallAction href={`/api/handovers/labels.pdf?on=sheet&ids=${chosen.join(',')}`}>Labels on A4</SmallAction>
      </div>
    </section>
  )
}
