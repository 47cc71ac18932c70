import { registersOf, type Handover } from '@/core/handover'
import {
  loadRules,
  loadSteps,
  pocketStates,
  proposePocket,
  type LoadFinding,
  type LoadRun,
  type PocketState,
  type Proposal,
  type StepLine,
} from '@/core/load'
import { isTyped, loadLimitsOf, SPINDLE, type Assembly, type Machine } from '@/core/tool'
import { getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { currentHandover, getHandover } from '@/db/handover/read'
import { getHolder } from '@/db/library/read'
import { getLoadRun } from '@/db/load/read'
import { getMachine } from '@/db/machine/read'
import { getPerson } from '@/db/person/read'
import type { Control, ControlError } from '@/devices/control/port'
import { askControl, type ControlAnswer } from './ask-control'
import type { ScanSaid } from './contract'
import { loadCase } from './load-case'
import { flangeRadiusOf, readMagazine, roomOf, widestOf, type MagazineRead } from './magazine'
import { readLabel } from './read-label'

export interface LoadScans {
  readonly machine?: string
  readonly serial?: string
  readonly label?: string
  /** Chosen by hand instead of the proposed one; SPINDLE by hand. */
  readonly pocket?: number
}

/** What the scans themselves say, before any rule. */
export interface ScanLine {
  readonly rule: 'machine' | 'holder' | 'label' | 'belongs'
  readonly state: 'waits' | 'holds' | 'refused'
  readonly said: ScanSaid
}

export interface LoadSheet {
  readonly machine: Machine | null
  readonly assembly: Assembly | null
  readonly handover: Handover | null
  readonly scans: readonly ScanLine[]
  readonly findings: readonly LoadFinding[]
  readonly room: MagazineRead | null
  /** What a tool of the usual width takes in the magazine: its flange's radius, mm; 0 without a machine. */
  readonly usualRadiusMm: number
  readonly pockets: readonly PocketState[]
  readonly proposal: Proposal | null
  readonly pocket: number | null
  readonly run: LoadRun | null
  readonly runBy: string | null
  readonly steps: readonly StepLine[]
  readonly answer: ControlAnswer
  /** Why the control does not tell; null when it does, or is not asked. */
  readonly problem: ControlError | null
}

/** The whole load on one sheet: scans, rules, magazine, steps; what was begun is gone on with from where it stands. */
export async function readLoad(db: Db, control: Control, scans: LoadScans, now: string): Promise<LoadSheet> {
  const run = scans.serial ? getLoadRun(db, scans.serial) : null
  const machineKey = run?.machine ?? scans.machine
  const machine = machineKey ? getMachine(db, machineKey) : null
  const assembly = scans.serial ? getAssembly(db, scans.serial) : null
  const label = scans.label ? readLabel(db, scans.label) : null
  const handover = run
    ? getHandover(db, run.handover)
    : label
      ? label.ok
        ? label.value.handover
        : null
      : machine && !loadLimitsOf(machine).asksLabel && assembly
        ? currentHandover(db, assembly.serial)
        : null
  const lines = scanLines(db, { scans, machineKey, machine, assembly, label, handover, run })
  const { problem, ...answer } = machine ? await askControl(control, machine) : { state: null, table: null, problem: null }
  const room = machine && readMagazine(db, machine, answer.state, answer.table)
  const widest = machine && assembly ? roomOf(db, machine, Math.max(handover?.values.radiusMm ?? 0, widestOf(db, assembly))) : 0
  const taken = room && { ...room, standing: [...room.standing, ...heldAsStanding(room, assembly?.serial)] }
  const usualRadiusMm = machine ? flangeRadiusOf(db, machine) : 0
  const proposal =
    taken && assembly && assembly.state !== 'loaded'
      ? proposePocket(taken, {
          radiusMm: widest,
          given: handover?.values.pocket ?? null,
          usualRadiusMm,
          atDoor: answer.state?.atDoor ?? null,
        })
      : null
  const pocket = run?.pocket ?? scans.pocket ?? proposal?.pocket ?? null
  const findings =
    machine && assembly && handover && room && assembly.state !== 'loaded'
      ? loadRules(loadCase(db, { machine, assembly, handover, pocket, room, answer, sent: run?.sent ?? false, now }))
      : []
  return {
    machine,
    assembly,
    handover,
    scans: lines,
    findings,
    room,
    usualRadiusMm,
    pockets: taken ? pocketStates(taken, Math.max(widest, usualRadiusMm)) : [],
    proposal,
    pocket,
    run,
    runBy: run && (getPerson(db, run.personId)?.name ?? run.personId),
    steps: run && machine ? loadSteps(machine, run.pocket, answer.state, run.ticks, isWritten(run, machine, handover)) : [],
    answer,
    problem,
  }
}

/** Figures that are sent are read back in the same breath; typed ones are written when all were read back by eye. */
function isWritten(run: LoadRun, machine: Machine, handover: Handover | null): boolean {
  if (!handover || !isTyped(machine)) return false
  return registersOf({ ...handover.values, pocket: run.pocket }, machine).every((r) => run.typed[r.register] === r.rounded)
}

/** Pockets that others are just filling count as taken. */
const heldAsStanding = (room: MagazineRead, serial: string | undefined) =>
  room.held
    .filter((h) => h.serial !== serial && h.pocket !== SPINDLE && !room.standing.some((s) => s.pocket === h.pocket))
    .map((h) => ({ pocket: h.pocket, t: h.t, serial: h.serial, radiusMm: 0, massKg: null }))

interface Scanned {
  readonly scans: LoadScans
  readonly machineKey: string | undefined
  readonly machine: Machine | null
  readonly assembly: Assembly | null
  readonly label: ReturnType<typeof readLabel> | null
  readonly handover: Handover | null
  readonly run: LoadRun | null
}

function scanLines(db: Db, { scans, machineKey, machine, assembly, label, handover, run }: Scanned): ScanLine[] {
  const lines: ScanLine[] = []
  const add = (rule: ScanLine['rule'], state: ScanLine['state'], said: ScanSaid) => lines.push({ rule, state, said })
  if (!machineKey) add('machine', 'waits', { code: 'SCAN_MACHINE' })
  else if (!machine) add('machine', 'refused', { code: 'NO_SUCH_MACHINE', machine: machineKey })
  else add('machine', 'holds', { code: 'MACHINE', machine })

  const { serial } = scans
  if (!serial) add('holder', 'waits', { code: 'SCAN_HOLDER' })
  else if (!assembly) add('holder', 'refused', { code: 'NO_TOOL_ON', serial, known: getHolder(db, serial) !== null })
  else if (assembly.state === 'loaded') {
    const inside = getMachine(db, assembly.machine ?? '')?.name ?? assembly.machine ?? ''
    add('holder', 'refused', { code: 'IN_ALREADY', serial, machine: inside, pocket: assembly.pocket })
  } else add('holder', 'holds', { code: 'HOLDER', serial, t: assembly.t, name: assembly.name })

  const asks = !machine || loadLimitsOf(machine).asksLabel
  const issue = handover?.values.issue ?? 0
  if (label && !label.ok) add('label', 'refused', { code: 'LABEL_REFUSED', fault: label.error })
  else if (handover?.voidedAt) add('label', 'refused', { code: 'HANDOVER_OLD', issue, why: handover.voidReason })
  else if (handover) add('label', 'holds', { code: 'HANDOVER', issue, fromRecord: !label && !run })
  else if (asks || !assembly) add('label', 'waits', { code: 'SCAN_LABEL' })
  else add('label', 'refused', { code: 'NOTHING_RELEASED', serial: assembly.serial })

  if (assembly && handover && assembly.state !== 'loaded') {
    const belongsTo = handover.values.serial
    if (belongsTo !== assembly.serial) add('belongs', 'refused', { code: 'OTHER_LABEL', belongsTo, serial: assembly.serial })
    else if (assembly.state !== 'released')
      add('belongs', 'refused', { code: 'NOT_CURRENT', serial: assembly.serial, state: assembly.state })
    else add('belongs', 'holds', { code: 'BELONGS' })
  }
  return lines
}
