import { pocketText } from '@/words/pocket'
import type { NettedTool, Stale, StandingType } from '@/core/plan'
import { say } from '@/words/screens/kit'

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
    ? say.measuredDaysAgo(stale.days)
    : stale.why === 'worn'
      ? 'worn'
      : stale.why === 'check'
        ? say.cutSinceMeasured(stale.minutes)
        : say.builtToVersionNow(stale.built, stale.current)

const at = (assembly: { serial: string; place: string | null }) => assembly.place ?? assembly.serial

/** Names of parts and machines for the words. */
export interface Names {
  readonly parts: Readonly<Record<string, string>>
  readonly machines: Readonly<Record<string, string>>
  /** The job whose sheet it is, to say `this job` of it. */
  readonly job?: string
}

export function standingText({ standing, replaces }: Pick<NettedTool, 'standing' | 'replaces'>, names: Names): string {
  const machine = (key: string | null) => (key ? (names.machines[key] ?? key) : say.aMachine)
  const instead = replaces
    ? say.theOneInIs(machine(replaces.machine), replaces.condition === 'fit' ? say.usedUp : replaces.condition)
    : ''
  switch (standing.type) {
    case 'in-machine':
      return say.inMachinePocket(
        machine(standing.assembly.machine),
        pocketText(standing.assembly.pocket),
        standing.lifeLeftMin === null ? '' : say.minLeft(Math.round(standing.lifeLeftMin)),
      )
    case 'ready':
      return `● ${at(standing.assembly)}, ${standing.toBalance ? say.toBalance : standing.assembly.state === 'released' ? say.toLoad : say.toHandOver}${instead}`
    case 'stale':
      return `◐ ${at(standing.assembly)}: ${STALE(standing.stale)}${instead}`
    case 'in-work':
      return (standing.toBalance ? say.builtOnToBalance : say.builtOnToMeasure)(standing.assembly.serial, instead)
    case 'under-way':
      return say.isBuildingItOn(standing.who, standing.serial)
    case 'in-other-machine':
      return say.inMachinePocketNamed(machine(standing.assembly.machine), pocketText(standing.assembly.pocket))
    case 'to-build': {
      const other = standing.parts.find((p) => p.insteadOf)
      return say.toBuild(other ? say.withParts(names.parts[other.component] ?? other.component) : '', instead)
    }
    case 'cannot-build': {
      const [first] = standing.missing
      const held =
        first.heldBy === null ? '' : first.heldBy === names.job ? say.otherToolsOfThisJob : say.reservedFor(first.heldBy)
      return say.noPartsHeld(names.parts[first.component] ?? first.component, held, instead)
    }
    case 'unknown-t':
      return say.unknownTNoDefinitionFor
    case 'ask':
      return say.whichToolHasThisT(standing.definition.name)
    case 'left-out':
      return say.nothingToSetUp
  }
}
