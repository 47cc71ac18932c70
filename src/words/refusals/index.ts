/** The sentence of every refusal, in the reader's unit. */
import type { LengthUnit, Units } from '@/core/units'
import type { Refusal, RefusalCode, Refusals } from '@/stations/refusals'
import { AT_MACHINE } from './at-machine'
import { BALANCE } from './balance'
import { BORE } from './bore'
import { BUILD } from './build'
import { CAUSES } from './causes'
import { DEVICE_WORDS } from './devices'
import { HAND_OVER } from './hand-over'
import { KIT } from './kit'
import { LESSONS } from './lessons'
import { LIBRARY } from './library'
import { LOAD } from './load'
import { MEASURE } from './measure'
import { OUTSIDE } from './outside'
import { PEOPLE } from './people'
import { PLAN } from './plan'
import { PRACTICE_VALUES } from './practice'
import { RETURN } from './return'
import type { Sentences } from './sentences'
import { SET_UP_WORDS } from './set-up'
import { SHARED } from './shared'
import { STORE } from './store'
import { STUDY } from './study'
import { TEACHING } from './teaching'
import { WATCH } from './watch'

const ALL: Sentences<Refusals> = {
  ...SHARED,
  ...AT_MACHINE,
  ...BALANCE,
  ...BORE,
  ...BUILD,
  ...CAUSES,
  ...DEVICE_WORDS,
  ...HAND_OVER,
  ...KIT,
  ...LESSONS,
  ...LIBRARY,
  ...LOAD,
  ...MEASURE,
  ...OUTSIDE,
  ...PEOPLE,
  ...PLAN,
  ...PRACTICE_VALUES,
  ...RETURN,
  ...SET_UP_WORDS,
  ...STORE,
  ...STUDY,
  ...TEACHING,
  ...WATCH,
}

export function refusalText(refusal: Refusal, units: Units): string {
  const say = ALL[refusal.code] as (data: Refusals[RefusalCode], unit: LengthUnit, units: Units) => string
  return [say(refusal, units.length, units), ...(refusal.also ?? []).map((r) => refusalText(r, units))].join(' ')
}

export { leadOnlyText } from './shared'
export type { LeadOnly } from '@/stations/refusals'
