/** The steps of a build as data: what ships is a start, a shop changes them or adds its own. */
import type { Clamping } from './check'

/** How a step is confirmed. `heat` and `cool` go through the shrink unit, `seats` is ticked once a pocket. */
export const CONFIRMS = ['tick', 'coil', 'heat', 'cool', 'seats'] as const
export type Confirm = (typeof CONFIRMS)[number]

export interface Step {
  readonly id: string
  readonly title: string
  /** Liquid text; lengths go through the filter `length`. Context: see StepFacts. */
  readonly text: string
  readonly confirm: Confirm
  readonly needs?: readonly string[]
  readonly caution?: string
}

/** What a step's text may name. Lengths mm, torques N·m; null where it does not apply. */
export interface StepFacts {
  readonly holder: string
  readonly cutter: string
  readonly collet: string | null
  readonly nut: string | null
  readonly insert: string | null
  /** One that is screwed on; a shrunk one goes with the shrink steps. */
  readonly extension: string | null
  readonly extensionTorque: number | null
  readonly extensionKey: number | null
  readonly seats: number | null
  readonly stop: number | null
  readonly LF: number
  readonly stickOut: number
  readonly depth: number | null
  readonly depthLeast: number | null
  readonly depthGreatest: number | null
  readonly shank: number | null
  readonly shankClass: string | null
  readonly shankMaterial: string | null
  readonly coil: string | null
  readonly temperature: number | null
  readonly torque: number | null
  readonly torqueSchool: string | null
  readonly lubricated: string | null
  readonly key: number | null
  readonly seatTorque: number | null
  readonly travel: number | null
}

const CLEAN_SHANK: Step = {
  id: 'shank',
  title: 'Shank',
  text: 'Read the size from the mark: {{ shank | length }}, {{ shankClass }}, {{ shankMaterial }}. No burr, no rust, no old marks of slipping. A caliper cannot prove h6.',
  confirm: 'tick',
}
const wipe = (what: string): Step => ({
  id: 'clean',
  title: 'Clean',
  text: `Clean ${what} with alcohol and a lint-free cloth; let dry a minute or two.`,
  confirm: 'tick',
  needs: ['alcohol', 'lint-free cloth'],
})
const SET_LENGTH: Step = {
  id: 'length',
  title: 'Length',
  text: 'Out by {{ stickOut | length }}, in by {{ depth | length }} (least {{ depthLeast | length }}). Wanted length {{ LF | length }}.',
  confirm: 'tick',
  needs: ['caliper or height stop'],
}

const DAMAGE: Step = {
  id: 'damage',
  title: 'Look',
  text: 'Look at {{ collet }}, cone, slots, nut and thread: no damage, no fretting.',
  confirm: 'tick',
}
const FILM: Step = {
  id: 'film',
  title: 'Lubricant',
  text: '{% if lubricated == "oiled" %}A thin brushed film where the collet meets holder and nut and on the thread, none in the bore. Wipe off the rest.{% else %}The maker wants cone and thread dry.{% endif %}',
  confirm: 'tick',
}
/** Each pocket of a cutter with inserts, whatever holds the cutter. */
const SEATS: Step = {
  id: 'seats',
  title: 'Inserts',
  text: '{{ insert }}: clean each pocket, set the insert right down on its seat, tighten its screw to {{ seatTorque }} N·m. Tick each pocket.',
  confirm: 'seats',
  needs: ['torque screwdriver'],
}
const EXTENSION: Step = {
  id: 'extension',
  title: 'Extension',
  text: 'Join {{ extension }} to {{ holder }}. Tighten to {{ extensionTorque }} N·m, key {{ extensionKey | length }}. No gap at the face.',
  confirm: 'tick',
  needs: ['key', 'torque wrench'],
}

/** What a tool's own parts ask for beside the steps of its clamping: a screwed extension, inserts to be seated. */
export function withOwnSteps(steps: readonly Step[], facts: Pick<StepFacts, 'extension' | 'seats'>): readonly Step[] {
  const before = facts.extension !== null && !steps.some((s) => s.id === 'extension') ? [EXTENSION] : []
  const after = facts.seats !== null && !steps.some((s) => s.confirm === 'seats') ? [SEATS] : []
  return [...before, ...steps, ...after]
}

export const SHIPPED_STEPS: Readonly<Record<Clamping, readonly Step[]>> = {
  shrink: [
    {
      ...CLEAN_SHANK,
      text: `${CLEAN_SHANK.text} {% if shankMaterial != 'carbide' %}Steel expands like the holder: heat fast, pull at once, one try.{% endif %}`,
    },
    { ...wipe('bore and shank'), caution: 'Solvent and oily rags away from the coil: alcohol flashes near 12 °C.' },
    {
      id: 'stop',
      title: 'Stop',
      text: 'Set the stop to {{ stop | length }}; wanted is {{ LF | length }}.',
      confirm: 'tick',
      needs: ['length stop'],
    },
    { id: 'coil', title: 'Coil', text: 'Coil to position {{ coil }}. Look at it before you confirm.', confirm: 'coil' },
    {
      id: 'heat',
      title: 'Heat',
      text: 'Heat once, to {{ temperature }} °C; the unit stops by itself. Push the cutter in against the stop within two seconds, then take the stop away.',
      confirm: 'heat',
      needs: ['gloves with cuffs', 'guard or tongs for the shank'],
      caution: 'Hot metal looks like cold metal. Rings and watches off; people with any implant keep away.',
    },
    {
      id: 'cool',
      title: 'Cool',
      text: 'Set it into a free cooling body. One heat, then cool fully: never a second heat on a warm nose.',
      confirm: 'cool',
      caution: 'Never quench by hand. The unit’s own light comes first.',
    },
  ],
  collet: [
    CLEAN_SHANK,
    DAMAGE,
    wipe('bore, slots, cone, nut and threads'),
    FILM,
    {
      id: 'click',
      title: 'Collet into nut',
      text: 'Tilt the collet into the eccentric ring at its mark until it clicks. Turn the nut over: it stays in. Never into the holder with the nut screwed over it.',
      confirm: 'tick',
    },
    {
      ...SET_LENGTH,
      text: `${SET_LENGTH.text} Not touching the holder behind the collet. {% if travel != '–' %}Tightening draws it in by {{ travel | length }}: set it {{ stop | length }} long.{% endif %}`,
    },
    {
      id: 'tighten',
      title: 'Tighten',
      text: '{{ torque }} N·m, {{ torqueSchool }}. Hold the spindle by its lock.',
      confirm: 'tick',
      needs: ['torque wrench', 'spanner for the nut'],
      caution: 'Sharp edges: hold the cutter by its guard.',
    },
    {
      id: 'even',
      title: 'Slots',
      text: 'Slots at the face open and even all round. Uneven or shut: wrong size, or twisted.',
      confirm: 'tick',
    },
  ],
  'single-size collet': [
    CLEAN_SHANK,
    {
      id: 'size',
      title: 'Size',
      text: '{{ collet }} takes exactly its own size. The shank is {{ shank | length }}. Never an 8 mm shank in a 5/16 in collet.',
      confirm: 'tick',
    },
    DAMAGE,
    wipe('bore, slots, cone, nut and threads'),
    FILM,
    {
      id: 'click',
      title: 'Collet into nut',
      text: 'Push the collet straight into the nut until it clicks. Never into the holder with the nut screwed over it.',
      confirm: 'tick',
    },
    SET_LENGTH,
    {
      id: 'tighten',
      title: 'Tighten',
      text: '{{ torque }} N·m, {{ torqueSchool }}, {{ lubricated }}.',
      confirm: 'tick',
      needs: ['torque wrench', 'spanner for the nut'],
    },
    { id: 'even', title: 'Slots', text: 'Slots at the face open and even all round.', confirm: 'tick' },
  ],
  hydraulic: [
    CLEAN_SHANK,
    wipe('bore and shank'),
    SET_LENGTH,
    {
      id: 'tighten',
      title: 'Tighten',
      text: 'Turn the screw to its stop, {{ torque }} N·m, key {{ key | length }}. Only with the shank in.',
      confirm: 'tick',
      needs: ['key', 'torque wrench'],
      caution: 'Never heat, drill or tighten empty a hydraulic chuck.',
    },
  ],
  'side-lock': [
    CLEAN_SHANK,
    wipe('bore and shank'),
    {
      id: 'flat',
      title: 'Flat',
      text: 'The flat faces the screw. Pull the cutter outwards, away from the holder, until the flat stops at the screw: so it cannot be pulled out in the cut.',
      confirm: 'tick',
    },
    SET_LENGTH,
    {
      id: 'tighten',
      title: 'Tighten',
      text: '{{ torque }} N·m, key {{ key | length }}. The screw pushes the cutter off centre: expect it when measuring.',
      confirm: 'tick',
      needs: ['key', 'torque wrench'],
    },
  ],
  arbor: [
    wipe('pilot, face and drive keys of the arbor, bore and face of the mill'),
    {
      id: 'mount',
      title: 'Mill',
      text: 'Set {{ cutter }} on the keys, screw to {{ torque }} N·m.',
      confirm: 'tick',
      needs: ['arbor key', 'torque wrench'],
    },
    {
      id: 'seats',
      title: 'Inserts',
      text: '{{ insert }}: clean each pocket, insert right down on its seat, screw to {{ seatTorque }} N·m. Tick each pocket.',
      confirm: 'seats',
      needs: ['torque screwdriver'],
      caution: 'Cut-resistant glove on the hand that holds the mill.',
    },
  ],
  'screw-in': [
    wipe('thread, pilot and face'),
    {
      id: 'mount',
      title: 'Screw in',
      text: 'Screw {{ cutter }} in by hand, then to {{ torque }} N·m, key {{ key | length }}. No gap at the face.',
      confirm: 'tick',
      needs: ['spanner', 'torque wrench'],
    },
    {
      id: 'seats',
      title: 'Inserts',
      text: '{{ insert }}: clean each pocket, screw to {{ seatTorque }} N·m. Tick each pocket.',
      confirm: 'seats',
      needs: ['torque screwdriver'],
    },
  ],
  boring: [
    wipe('module faces and pilots'),
    {
      id: 'mount',
      title: 'Modules',
      text: 'Join {{ cutter }} to the module before it. Tighten to {{ torque }} N·m, key {{ key | length }}. No gap at the face.',
      confirm: 'tick',
      needs: ['key', 'torque wrench'],
    },
    {
      id: 'seats',
      title: 'Insert',
      text: '{{ insert }}: clean the seat, screw to {{ seatTorque }} N·m.',
      confirm: 'seats',
      needs: ['torque screwdriver'],
    },
    {
      id: 'slide',
      title: 'Slide',
      text: 'The flat of the bar faces the lock screw. Unlock the slide, move it from below to the wanted diameter, lock; then it is measured.',
      confirm: 'tick',
    },
  ],
  'drill chuck': [
    CLEAN_SHANK,
    wipe('jaws and shank'),
    SET_LENGTH,
    {
      id: 'tighten',
      title: 'Tighten',
      text: '{{ torque }} N·m. Jaws even on the shank, not on flutes.',
      confirm: 'tick',
      needs: ['chuck key'],
    },
  ],
  turning: [
    wipe('block, shank and seat'),
    {
      id: 'mount',
      title: 'Block',
      text: 'Shank back against its stop, screws to {{ torque }} N·m, key {{ key | length }}.',
      confirm: 'tick',
      needs: ['key', 'torque wrench'],
    },
    {
      id: 'seats',
      title: 'Insert',
      text: '{{ insert }}: clean the seat, screw to {{ seatTorque }} N·m.',
      confirm: 'seats',
      needs: ['torque screwdriver'],
    },
  ],
}

/** What has to be confirmed before a build is done: every step, and each pocket of a step with seats. */
export const tickIds = (steps: readonly Step[], seats: number | null): string[] =>
  steps.flatMap((step) =>
    step.confirm === 'seats' ? Array.from({ length: Math.max(1, seats ?? 1) }, (_, i) => `${step.id}-${i + 1}`) : [step.id],
  )
