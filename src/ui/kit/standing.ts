import type { NettedTool, Stale, StandingType } from '@/core/plan'
import { pocketText } from '@/core/tool'

/** How a wanted tool stands, in words and with a shape before them. */
export const TONE: Record<StandingType, string> = {
  'in-machine': 'text-holds',
  ready: 'text-holds',
  stale: 'text-unsure',
  'in-work': 'text-unsure',
  'under-way': 'text-unsure',
  'in-other-machine': 'text-unsure',
  'to-build': 'text-act',
  'cannot-build': 'text-off',
  'unknown-t': 'text-off',
  ask: 'text-unsure',
  'left-out': 'text-soft',
}

const STALE = (stale: Stale): string =>
  stale.why === 'age'
    ? `measured ${stale.days} days ago`
    : stale.why === 'worn'
      ? 'worn'
      : `built to version ${stale.built}, now ${stale.current}`

const at = (assembly: { serial: string; place: string | null }) => assembly.place ?? assembly.serial

/** Names of parts and machines for the words. */
export interface Names {
  readonly parts: Readonly<Record<string, string>>
  readonly machines: Readonly<Record<string, string>>
  /** The job whose sheet it is, to say `this job` of it. */
  readonly job?: string
}

export function standingText({ standing, replaces }: Pick<NettedTool, 'standing' | 'replaces'>, names: Names): string {
  const machine = (key: string | null) => (key ? (names.machines[key] ?? key) : 'a machine')
  const instead = replaces
    ? ` (the one in ${machine(replaces.machine)} is ${replaces.condition === 'fit' ? 'used up' : replaces.condition})`
    : ''
  switch (standing.type) {
    case 'in-machine':
      return `● in ${machine(standing.assembly.machine)}, ${pocketText(standing.assembly.pocket)}${standing.lifeLeftMin === null ? '' : `, ${Math.round(standing.lifeLeftMin)} min left`}`
    case 'ready':
      return `● ${at(standing.assembly)}, ${standing.assembly.state === 'released' ? 'to load' : 'to hand over'}${instead}`
    case 'stale':
      return `◐ ${at(standing.assembly)}: ${STALE(standing.stale)}${instead}`
    case 'in-work':
      return `◐ built on ${standing.assembly.serial}, to measure${instead}`
    case 'under-way':
      return `◐ ${standing.who} is building it on ${standing.serial}`
    case 'in-other-machine':
      return `◐ in ${machine(standing.assembly.machine)}, ${pocketText(standing.assembly.pocket)}`
    case 'to-build': {
      const other = standing.parts.find((p) => p.insteadOf)
      return `▲ to build${other ? ` with ${names.parts[other.component] ?? other.component}` : ''}${instead}`
    }
    case 'cannot-build': {
      const [first] = standing.missing
      const held =
        first.heldBy === null
          ? ''
          : first.heldBy === names.job
            ? ': other tools of this job need them'
            : `: reserved for ${first.heldBy}`
      return `◆ no ${names.parts[first.component] ?? first.component}${held}${instead}`
    }
    case 'unknown-t':
      return '◆ unknown T: no definition for this machine'
    case 'ask':
      return `◐ which tool? ${standing.definition.name} has this T, but the program says something else`
    case 'left-out':
      return '– nothing to set up'
  }
}
