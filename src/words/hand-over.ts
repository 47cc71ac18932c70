/** What Hand over, Load and Return say about the offset table of a control. */
import type { CheckRow, OtherChange } from '@/core/handover'
import type { Machine } from '@/core/tool'
import { fixed, unitMark } from '@/core/units'

type Sizes = Pick<Machine, 'unit' | 'decimals'>

/** A value of the table as the machine shows it. */
const held = (value: number | null, register: string, { unit, decimals }: Sizes): string =>
  value === null ? 'empty' : register === 'tip' ? String(value) : `${fixed(value, decimals)} ${unitMark(unit)}`

const changeText = ({ number, register, old, new: now }: OtherChange, machine: Sizes): string =>
  `${register} of offset ${number} from ${held(old, register, machine)} to ${held(now, register, machine)}`

/** At most three changes are told one by one. */
const MOST_TOLD = 3

const changesText = (changes: readonly OtherChange[], machine: Sizes): string => {
  const more = changes.length - MOST_TOLD
  const said = changes.slice(0, MOST_TOLD).map((c) => changeText(c, machine))
  return said.join('; ') + (more > 0 ? `; and ${more} more` : '')
}

export type TableRefusal =
  /** On the scratch table: the control would hold another value than was measured. */
  | { readonly code: 'POST_DIFFERS'; readonly row: CheckRow }
  /** On the scratch table: the file writes registers that belong to other tools. */
  | { readonly code: 'POST_WRITES_OTHERS'; readonly others: readonly OtherChange[] }
  /** The live table does not hold what was sent. */
  | { readonly code: 'READ_BACK'; readonly row: CheckRow }
  /** On the live table registers changed that nobody meant; they are left as they are. */
  | { readonly code: 'OTHERS_CHANGED'; readonly others: readonly OtherChange[] }

export function tableRefusalText(refusal: TableRefusal, machine: Sizes & Pick<Machine, 'name'>): string {
  switch (refusal.code) {
    case 'POST_DIFFERS': {
      const { t, register, held: value, measured } = refusal.row
      return `The post is wrong for T${t} ${register}: measured ${held(measured, register, machine)}, the control would hold ${held(value, register, machine)}. Nothing was sent. Correct the post.`
    }
    case 'POST_WRITES_OTHERS':
      return `The post also changes other offsets: ${changesText(refusal.others, machine)}. Nothing was sent. Correct the post.`
    case 'READ_BACK': {
      const { t, register, held: value, measured } = refusal.row
      return `${machine.name} holds ${held(value, register, machine)} as ${register} of T${t}, not ${held(measured, register, machine)}. Do not run this tool. Correct the register.`
    }
    case 'OTHERS_CHANGED':
      return `Other offsets of ${machine.name} changed at the same time: ${changesText(refusal.others, machine)}. Boulder left them as they are. Check them at the control, then press again.`
  }
}
