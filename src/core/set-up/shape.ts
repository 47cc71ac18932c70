/** Rows of set-up and what the shop keeps of them. */
import type { Master } from '../judge'
import { magazineOf, switchesOf, turretOf, type CouplingFacts, type Machine } from '../tool'
import type { Row } from './fields'

/** A machine as its row says; whatever its other sheets keep (table, label, rules) stays. */
export function machineOf(row: Row<'machine'>, before: Machine | null): Machine {
  const { lengthFrom, lengthTo, radiusFrom, radiusTo, registersFrom, registersTo, magazine, pitchMm, gapMm, ...rest } = row
  const { door, pot, address, agent, turretX, turretZ, ...same } = rest
  return {
    ...before,
    ...same,
    address: address ?? undefined,
    agent: agent ?? undefined,
    key: before?.key ?? row.key,
    about: row.about ?? '',
    lengthMm: { min: lengthFrom, max: lengthTo },
    radiusMm: { min: radiusFrom, max: radiusTo },
    registers: { min: registersFrom, max: registersTo },
    magazine: { form: magazine, pitchMm, gapMm },
    switches: { door, pot },
    turret: { x: turretX === 'same' ? 1 : -1, z: turretZ === 'same' ? 1 : -1 },
    version: before?.version ?? 1,
  }
}

export function machineRow(machine: Machine): Row<'machine'> {
  const { key, name, about, kind, coupling, studForms, greatestRpm, greatestKg, unit, decimals, sizeRegister } = machine
  const { post, labelCode, pockets, route, lengthMm, radiusMm, registers } = machine
  const { form, pitchMm, gapMm } = magazineOf(machine)
  const { door, pot } = switchesOf(machine)
  const { x, z } = turretOf(machine)
  const way = (sign: 1 | -1) => (sign === 1 ? ('same' as const) : ('opposite' as const))
  return {
    ...{ key, name, about: about || null, kind, coupling, studForms, greatestRpm, greatestKg, unit, decimals, sizeRegister },
    ...{ registersFrom: registers.min, registersTo: registers.max, figures: machine.figures ?? 'network', post, labelCode },
    ...{ address: machine.address ?? null, agent: machine.agent ?? null },
    ...{ lengthFrom: lengthMm.min, lengthTo: lengthMm.max, radiusFrom: radiusMm.min, radiusTo: radiusMm.max },
    ...{ pockets, magazine: form, pitchMm, gapMm, door, pot, turretX: way(x), turretZ: way(z), route },
  }
}

/** What may not change while figures of the machine are out: they would be read otherwise than they were written. */
export const figuresRest = (before: Machine, after: Machine): boolean =>
  (['kind', 'coupling', 'unit', 'decimals', 'sizeRegister'] as const).every((key) => before[key] === after[key])

export const couplingOf = (row: Row<'coupling'>): CouplingFacts => ({ ...row, standard: row.standard ?? '' })
export const couplingRow = ({
  name,
  standard,
  form,
  gaugeMm,
  insideMm,
  flangeMm,
  flangeHighMm,
  stud,
}: CouplingFacts): Row<'coupling'> => ({
  ...{ name, standard: standard || null, form, gaugeMm, insideMm, flangeMm, flangeHighMm, stud },
})

export const masterOf = (row: Row<'master'>): Master => ({ id: row.mark, ...row })
export const masterRow = ({ mark, name, coupling, LFmm, DCmm, sigmaMm, calibratedUntil }: Master): Row<'master'> => ({
  ...{ mark, name, coupling, LFmm, DCmm, sigmaMm, calibratedUntil },
})
