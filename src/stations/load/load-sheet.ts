import type { Handover } from '@/core/handover'
import type { Assembly, Machine } from '@/core/tool'
import { findAssemblies, getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getHolder } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import { readLabel } from './read-label'

export interface LoadScans {
  readonly machine?: string
  readonly serial?: string
  readonly label?: string
}

export interface LoadCheck {
  readonly rule: 'machine' | 'holder' | 'label' | 'belongs' | 'right-machine' | 'taper' | 'speed' | 'pocket'
  readonly state: 'waits' | 'holds' | 'refused'
  readonly text: string
}

export interface LoadSheet {
  readonly machine: Machine | null
  readonly assembly: Assembly | null
  readonly handover: Handover | null
  readonly pocket: number | null
  readonly checks: readonly LoadCheck[]
  readonly ready: boolean
}

/** Every check as its own line, with its state; only when all hold may the figures go to the control. */
export function readLoad(db: Db, scans: LoadScans): LoadSheet {
  const machine = scans.machine ? getMachine(db, scans.machine) : null
  const assembly = scans.serial ? getAssembly(db, scans.serial) : null
  const label = scans.label ? readLabel(db, scans.label) : null
  const handover = label?.ok ? label.value.handover : null
  const taken = machine ? findAssemblies(db, { machine: machine.key, state: 'loaded' }).map((a) => a.pocket) : []
  const pocket = machine
    ? (Array.from({ length: machine.pockets }, (_, i) => i + 1).find((n) => !taken.includes(n)) ?? null)
    : null
  const checks: LoadCheck[] = []
  const add = (rule: LoadCheck['rule'], state: LoadCheck['state'], text: string) => checks.push({ rule, state, text })

  if (!scans.machine) add('machine', 'waits', 'Scan the label on the machine.')
  else if (!machine) add('machine', 'refused', `No machine ${scans.machine} is known here.`)
  else add('machine', 'holds', `${machine.name}, ${machine.coupling}, figures in ${machine.unit === 'mm' ? 'mm' : 'inch'}.`)

  if (!scans.serial) add('holder', 'waits', 'Scan the mark on the holder: it says which tool this is.')
  else if (!assembly)
    add(
      'holder',
      'refused',
      getHolder(db, scans.serial) ? `No tool stands on holder ${scans.serial}.` : `No holder ${scans.serial} is known here.`,
    )
  else if (assembly.state === 'loaded')
    add(
      'holder',
      'refused',
      `${scans.serial} stands in ${getMachine(db, assembly.machine ?? '')?.name ?? assembly.machine} already, pocket ${assembly.pocket}.`,
    )
  else add('holder', 'holds', `T${assembly.t ?? '?'} ${assembly.name} on ${scans.serial}.`)

  if (!scans.label) add('label', 'waits', 'Scan the label: it adds the figures.')
  else if (label && !label.ok) add('label', 'refused', label.error.text)
  else if (handover) add('label', 'holds', `Hand-over ${handover.values.issue}, current.`)

  if (assembly && handover) {
    if (handover.values.serial !== assembly.serial)
      add(
        'belongs',
        'refused',
        `This label is not this tool’s: it belongs to ${handover.values.serial}, the holder is ${assembly.serial}.`,
      )
    else if (assembly.state !== 'released')
      add('belongs', 'refused', `${assembly.serial} has no current hand-over: it is ${assembly.state}.`)
    else add('belongs', 'holds', 'Label and holder belong together.')
  }
  if (machine && handover) {
    if (handover.values.machine === machine.key) add('right-machine', 'holds', `The figures were made for ${machine.name}.`)
    else
      add(
        'right-machine',
        'refused',
        `Wrong machine: these figures were made for ${getMachine(db, handover.values.machine)?.name ?? handover.values.machine}, this is ${machine.name}.`,
      )
  }
  if (machine && assembly && assembly.state !== 'loaded') {
    if (assembly.coupling === machine.coupling) add('taper', 'holds', `Its taper fits: ${machine.coupling}.`)
    else add('taper', 'refused', `Wrong taper: the tool is ${assembly.coupling}, ${machine.name} takes ${machine.coupling}.`)
    if (pocket === null) add('pocket', 'refused', `${machine.name} has no free pocket. Unload a tool first.`)
    else add('pocket', 'holds', `Pocket ${pocket} is free.`)
  }
  const ready = checks.every((c) => c.state === 'holds') && machine !== null && assembly !== null && handover !== null
  return { machine, assembly, handover, pocket, checks, ready }
}
