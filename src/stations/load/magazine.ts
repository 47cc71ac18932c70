import { SILENT, type MachineState, type MagazineRoom, type Standing } from '@/core/load'
import type { HeldRow } from '@/core/handover'
import { controlT, factsOf, magazineOf, numberOf, type Assembly, type Machine } from '@/core/tool'
import { unitToMm } from '@/core/units'
import { readCouplings } from '@/db/coupling/read'
import { findAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getComponent } from '@/db/library/read'
import { listLoadRuns } from '@/db/load/read'
import type { ControlTable } from '@/devices/control/port'
import { profileOfAssembly } from '../rack/rack'

/** Largest radius over the gauge line, flange left out: pockets are made for flanges. */
export function widestOf(db: Db, assembly: Assembly): number {
  const profile = profileOfAssembly(db, assembly)
  const over = profile.parts
    .filter(({ part }) => part !== 'taper' && part !== 'flange')
    .flatMap(({ points }) => points.map(([r]) => r))
  return Math.max(profile.cutRadiusMm, ...over)
}

/** Holder and cutter must have a mass; what has none of its own counts nothing. @returns kg, null when nobody knows */
export function massOf(db: Db, assembly: Assembly): number | null {
  const masses = assembly.parts.map(({ component, count, role }) => {
    const part = getComponent(db, component)
    const kg = part ? numberOf(part, 'WT') : undefined
    return kg === undefined ? (role === 'holder' || role === 'cutter' ? NaN : 0) : kg * count
  })
  const sum = masses.reduce((a, b) => a + b, 0)
  return masses.length && Number.isFinite(sum) ? sum : null
}

/** A tool takes the flange's room at least. */
export const flangeRadiusOf = (db: Db, machine: Machine) => factsOf(readCouplings(db), machine.coupling).flangeMm / 2
export const roomOf = (db: Db, machine: Machine, radiusMm: number) => Math.max(radiusMm, flangeRadiusOf(db, machine))

/** Largest radius of a tool that only the control knows, by its row. */
function radiusOf(machine: Machine, row: HeldRow | undefined): number {
  const size = row?.[machine.sizeRegister] ?? 0
  return unitToMm(machine.sizeRegister === 'diameter' ? size / 2 : size, machine.unit)
}

export interface MagazineRead extends MagazineRoom {
  /** Tools on their way in; their pockets are held for them. */
  readonly held: readonly { readonly pocket: number; readonly serial: string; readonly t: number }[]
}

/** What stands in a machine, by our record and by the control's own list together. */
export function readMagazine(db: Db, machine: Machine, state: MachineState | null, table: ControlTable | null): MagazineRead {
  const ours = findAssemblies(db, { machine: machine.key, state: 'loaded' }).flatMap((a): Standing[] =>
    a.pocket === null
      ? []
      : [
          {
            pocket: a.pocket,
            t: a.t === null ? null : controlT({ t: a.t, sister: a.sister }, machine),
            sister: a.sister,
            serial: a.serial,
            radiusMm: roomOf(db, machine, widestOf(db, a)),
            massKg: massOf(db, a),
          },
        ],
  )
  const known = new Set(ours.map((s) => s.pocket))
  const { magazine, spindle } = state ?? SILENT
  const theirs = [...magazine].map(([pocket, t]) => ({ pocket, t }))
  // what our record knows by hand in the spindle stands there already
  const called = spindle !== null && !ours.some((s) => s.t === spindle) ? [{ pocket: 0, t: spindle }] : []
  const strange = [...theirs, ...called]
    .filter(({ pocket }) => !known.has(pocket))
    .map(({ pocket, t }): Standing => ({
      pocket,
      t,
      serial: null,
      radiusMm: roomOf(db, machine, radiusOf(machine, table?.get(t))),
      massKg: null,
    }))
  return {
    pockets: machine.pockets,
    magazine: magazineOf(machine),
    standing: [...ours, ...strange].sort((a, b) => a.pocket - b.pocket),
    held: listLoadRuns(db, machine.key).map(({ pocket, serial, t }) => ({ pocket, serial, t })),
  }
}
