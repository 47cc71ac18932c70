/**
 * The steps of a build as they ship: a start, which a shop changes or adds to. Liquid text; what it may name is `StepFacts`.
 * Common practice, no source, unless a caution says the unit's instructions come first.
 */
import type { Clamping, Step, StepFacts } from '@/core/fits'

const CLEAN_SHANK: Step = {
  id: 'shank',
  title: 'Shank',
  text: 'Read the size from the mark: {{ shank | length }}, {{ shankClass }}, {{ shankMaterial }}. No burrs, no rust, no marks from slipping. A caliper cannot prove h6.',
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
  text: 'Out by {{ stickOut | length }}, in by {{ depth | length }} (at least {{ depthLeast | length }}). Length wanted {{ LF | length }}.',
  confirm: 'tick',
  needs: ['caliper or height stop'],
}

const DAMAGE: Step = {
  id: 'damage',
  title: 'Damage',
  text: 'Look at {{ collet }}, cone, slots, nut and thread: no damage, no fretting.',
  confirm: 'tick',
}
const FILM: Step = {
  id: 'film',
  title: 'Lubricant',
  text: '{% if lubricated == "oiled" %}A thin brushed film where the collet meets holder and nut and on the thread, none in the bore. Wipe off the rest.{% else %}Keep cone and thread dry: the maker’s rule.{% endif %}',
  confirm: 'tick',
}
/** Each pocket of a cutter with inserts, whatever holds the cutter. */
export const SEATS: Step = {
  id: 'seats',
  title: 'Inserts',
  text: '{{ insert }}: clean each pocket, set the insert right down on its seat, tighten its screw to {{ seatTorque | torque }}. Tick each pocket.',
  confirm: 'seats',
  needs: ['torque screwdriver'],
}
export const EXTENSION: Step = {
  id: 'extension',
  title: 'Extension',
  text: 'Join {{ extension }} to {{ holder }}. Tighten to {{ extensionTorque | torque }}, key {{ extensionKey | length }}. No gap at the face.',
  confirm: 'tick',
  needs: ['key', 'torque wrench'],
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
      text: 'Set the stop to {{ stop | length }}. The length wanted is {{ LF | length }}.',
      confirm: 'tick',
      needs: ['length stop'],
    },
    { id: 'coil', title: 'Coil', text: 'Set the coil to position {{ coil }}. Look at it before you confirm.', confirm: 'coil' },
    {
      id: 'heat',
      title: 'Heat',
      text: 'Heat once to {{ temperature | temperature }}. The unit stops by itself. Push the cutter in against the stop within two seconds, then take the stop away.',
      confirm: 'heat',
      needs: ['gloves with cuffs', 'guard or tongs for the shank'],
      caution: 'Hot metal looks like cold metal. Take off rings and watches. People with any implant keep away.',
    },
    {
      id: 'cool',
      title: 'Cool',
      text: 'Put it into a free cooling body. Cool it fully after one heat: never heat a warm nose again.',
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
      text: '{{ torque | torque }}, {{ torqueSchool }}. Hold the spindle by its lock.',
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
      text: '{{ torque | torque }}, {{ torqueSchool }}, {{ lubricated }}.',
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
      text: 'Turn the screw to its stop, {{ torque | torque }}, key {{ key | length }}. Only with the shank in.',
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
      text: '{{ torque | torque }}, key {{ key | length }}. The screw pushes the cutter off centre: expect it when measuring.',
      confirm: 'tick',
      needs: ['key', 'torque wrench'],
    },
  ],
  arbor: [
    wipe('pilot, face and drive keys of the arbor, bore and face of the mill'),
    {
      id: 'mount',
      title: 'Mill',
      text: 'Set {{ cutter }} on the keys, screw to {{ torque | torque }}.',
      confirm: 'tick',
      needs: ['arbor key', 'torque wrench'],
    },
    {
      id: 'seats',
      title: 'Inserts',
      text: '{{ insert }}: clean each pocket, insert right down on its seat, screw to {{ seatTorque | torque }}. Tick each pocket.',
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
      text: 'Screw {{ cutter }} in by hand, then to {{ torque | torque }}, key {{ key | length }}. No gap at the face.',
      confirm: 'tick',
      needs: ['spanner', 'torque wrench'],
    },
    {
      id: 'seats',
      title: 'Inserts',
      text: '{{ insert }}: clean each pocket, screw to {{ seatTorque | torque }}. Tick each pocket.',
      confirm: 'seats',
      needs: ['torque screwdriver'],
    },
  ],
  boring: [
    wipe('module faces and pilots'),
    {
      id: 'mount',
      title: 'Modules',
      text: 'Join {{ cutter }} to the module before it. Tighten to {{ torque | torque }}, key {{ key | length }}. No gap at the face.',
      confirm: 'tick',
      needs: ['key', 'torque wrench'],
    },
    {
      id: 'seats',
      title: 'Insert',
      text: '{{ insert }}: clean the seat, screw to {{ seatTorque | torque }}.',
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
      text: '{{ torque | torque }}. Jaws even on the shank, not on flutes.',
      confirm: 'tick',
      needs: ['chuck key'],
    },
  ],
  turning: [
    wipe('block, shank and seat'),
    {
      id: 'mount',
      title: 'Block',
      text: 'Shank back against its stop, screws to {{ torque | torque }}, key {{ key | length }}.',
      confirm: 'tick',
      needs: ['key', 'torque wrench'],
    },
    {
      id: 'seats',
      title: 'Insert',
      text: '{{ insert }}: clean the seat, screw to {{ seatTorque | torque }}.',
      confirm: 'seats',
      needs: ['torque screwdriver'],
    },
  ],
}

/** Every fact there is, with a plain value: what a step's text may name. */
export const SAMPLE_FACTS: StepFacts = {
  holder: 'collet holder size 25',
  cutter: 'end mill Ø12',
  collet: 'collet size 25, 12–11',
  nut: 'nut size 25',
  insert: 'insert r0.8',
  extension: 'extension M50',
  extensionTorque: 20,
  extensionKey: 6,
  seats: 3,
  stop: 118.1,
  LF: 118,
  stickOut: 38,
  depth: 45,
  depthLeast: 36,
  depthGreatest: 47,
  shank: 12,
  shankClass: 'h6',
  shankMaterial: 'carbide',
  coil: '8 … 12',
  temperature: 250,
  torque: 90,
  torqueSchool: 'rated for the size',
  lubricated: 'oiled',
  key: 5,
  seatTorque: 3,
  travel: 3.56,
}
