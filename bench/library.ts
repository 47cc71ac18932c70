/** What fits among 20,000 parts, and a pick list of 400 lines over 60 places: milliseconds, and as ratios to sorting. */
import { USUAL_PRACTICE } from '@/core/clamp'
import { whatFits, type StackPart } from '@/core/fits'
import { pickList, type Lying, type Need } from '@/core/plan'
import { couplingTable, type Component, type Definition, type Machine, type Place, type StoreUnit } from '@/core/tool'
import { seedFile } from '../scripts/fill-library'
import { chance } from '../test/support/render'
import { median } from './median'

const RUNS = 25
const parts = seedFile<Component[]>('components.json')
const timed = (work: () => unknown): number =>
  median(
    Array.from({ length: RUNS }, () => {
      const t0 = performance.now()
      work()
      return performance.now() - t0
    }),
  )

/** The reference: sorting 20,000 random numbers. */
function sortingMs(): number {
  const { between } = chance(3)
  const numbers = Array.from({ length: 20_000 }, () => between(0, 1))
  return timed(() => [...numbers].sort((a, b) => a - b))
}

/** The demo's parts again and again, with other numbers, and sizes that are a little off. */
function manyParts(count: number): Component[] {
  const { between } = chance(7)
  return Array.from({ length: count }, (_, i) => {
    const part = parts[i % parts.length]
    const off = i < parts.length ? 0 : Math.round(between(-3, 3)) / 2
    const size = 'DC' in part && off ? { DC: Math.max(0.5, part.DC + off) } : {}
    return { ...part, ...size, id: `${part.id}/${i}` } as Component
  })
}

export function libraryBench(): void {
  const reference = sortingMs()
  const say = (name: string, ms: number, aim: number) =>
    console.log(
      `${name.padEnd(58)} ${ms.toFixed(1).padStart(7)} ms (aim ${aim} ms)  ${(ms / reference).toFixed(1).padStart(6)} × sorting 20,000 numbers`,
    )
  const library = manyParts(20_000)
  const machines = seedFile<Machine[]>('machines.json')
  for (const id of ['D-0006', 'D-0012', 'D-0031']) {
    const definition = seedFile<Definition[]>('definitions.json').find((d) => d.id === id)!
    const stack: StackPart[] = definition.parts.map((l) => ({
      component: parts.find((p) => p.id === l.component)!,
      count: l.count,
    }))
    const own = machines.filter((m) => definition.machines.includes(m.key))
    const found = whatFits(definition, stack, library, own, USUAL_PRACTICE, couplingTable()).reduce(
      (n, c) => n + c.fits.length,
      0,
    )
    say(
      `what fits ${definition.name}: ${found} of ${library.length}`,
      timed(() => whatFits(definition, stack, library, own, USUAL_PRACTICE, couplingTable())),
      20,
    )
  }
  const { needs, lying, places, units } = manyPicks(400, 60)
  say(
    'pick list, 400 lines over 60 places',
    timed(() => pickList(needs, lying, places, { width: 60, height: 40, units }, 'BN')),
    50,
  )
}

function manyPicks(lines: number, cabinets: number) {
  const { between } = chance(11)
  const units: StoreUnit[] = [
    { id: 'BN', kind: 'bench', name: 'bench', x: 57, y: 37, w: 3, h: 3 },
    ...Array.from({ length: cabinets }, (_, i): StoreUnit => ({
      id: `S${i}`,
      kind: 'cabinet',
      name: `S${i}`,
      x: 1 + 5 * (i % 11),
      y: 1 + 6 * Math.floor(i / 11),
      w: 3,
      h: 2,
    })),
  ]
  const places: Place[] = units.slice(1).map((u, i) => ({ id: `${u.id}-1`, unit: u.id, name: '', row: i, taper: null }))
  const needs: Need[] = Array.from({ length: lines }, (_, i) => ({ component: `P${i}`, count: 1, purpose: `T${i % 40}` }))
  const lying = new Map<string, Lying[]>(
    needs.map(({ component }) => [component, [{ place: places[Math.floor(between(0, places.length - 0.001))].id, count: 5 }]]),
  )
  return { needs, lying, places, units }
}
