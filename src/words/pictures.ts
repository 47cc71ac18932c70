/** What is said of pictures: what one edge lacks, why a set cannot be used, why no pin was found, what a routine lacks. */
import { FEATURE_NAMES } from './properties'
import { MOST_STEPS, type ProgramError } from '@/core/judge'
import type { FrameWarning } from '@/core/shapes'
import type { PinError } from '@/core/outline'
import type { SetError } from '@/core/sets'
import type { LengthUnit } from '@/core/units'
import { sized } from './size'

export function warningText(edge: number, warning: FrameWarning, unit: LengthUnit): string {
  switch (warning.code) {
    case 'DEBRIS':
      return `Clean edge ${edge} and measure it again. There is something ${sized(warning.high, unit)} high on it.`
    case 'NOTCH':
      return `Edge ${edge} has a notch ${sized(warning.deep, unit)} deep. Check whether it is chipped.`
    case 'CUT_OFF_RIGHT':
      return `Edge ${edge} is cut off at the right. Move the carriage out to read its radius.`
    case 'CUT_OFF_BOTTOM':
      return `Edge ${edge} still gets wider where it leaves the picture at the bottom. Move the carriage down to its widest place.`
    case 'CUT_OFF_TOP':
      return `Edge ${edge} is cut off at the top. Move the carriage up to read its length.`
    case 'NO_CORNER_ARC':
      return `Edge ${edge} has no arc of 15 pixels or more at its corner. No corner radius.`
    case 'NO_FLANK':
      return `Edge ${edge} has no flank away from the axis. No radius.`
    case 'NOSE_CUT_OFF':
      return `Edge ${edge}: the border cuts off the nose. Move the carriage so that the whole nose is in the picture.`
    case 'NO_POINT':
      return `Edge ${edge} has no point between two straight lips. No point angle.`
    case 'NO_SIDE':
      return `Edge ${edge} has no straight side for its ${FEATURE_NAMES[warning.feature].toLowerCase()} (${warning.feature}).`
    case 'NOT_SHARP':
      return `Edge ${edge} is out of focus. Turn it into the plane of the light, or check the lens. Its values do not count.`
    case 'NO_END':
      return `Edge ${edge} has no end in the picture. No length.`
  }
}

export function setErrorText(error: SetError): string {
  if (error.code === 'NOTHING_MEASURED') return `${error.file}: nothing that was asked for can be measured.`
  switch (error.problem) {
    case 'NO_EDGE':
      return `${error.file}: no edge of a tool found. The tool must reach into the picture from the left or from below.`
    case 'TOO_DARK':
      return `${error.file}: the picture is too dark. Turn up the back light, or clean the glass.`
    case 'BURNT_OUT':
      return `${error.file}: the picture is overexposed (255). Turn down the back light or the exposure.`
  }
}

export function pinErrorText(error: PinError): string {
  switch (error.code) {
    case 'NOT_A_PIN':
      return 'No pin found with both flanks and its end in the picture. Bring it into the middle, upright.'
    case 'LEANS':
      return `The pin leans by ${error.deg.toFixed(2)}°. Clean its seat, or turn the camera until the pin is upright.`
    case 'NO_EDGE':
      return 'There is nothing in the picture.'
    case 'TOO_DARK':
      return 'The picture is too dark. Turn up the back light.'
    case 'BURNT_OUT':
      return 'The picture is overexposed. Turn down the back light or the exposure.'
  }
}

export function routineErrorText(error: ProgramError): string {
  switch (error.code) {
    case 'NO_STEP':
      return 'A measuring routine has at least one step: the tool itself.'
    case 'TOO_MANY_STEPS':
      return `A measuring routine has at most ${MOST_STEPS} steps.`
    case 'TOOL_FIRST':
      return 'The tool itself comes first, and only once. The other steps are below its tip.'
    case 'NO_NAME':
      return `Give step ${error.step + 1} a name.`
    case 'SAME_NAME':
      return `Step ${error.step + 1} has the same name as another step.`
    case 'ASKS_NOTHING':
      return `Step ${error.step + 1} measures nothing. Choose what it measures, or delete it.`
    case 'LIMITS_TURNED':
      return `Step ${error.step + 1}: the lower limit of ${error.feature} is above the upper one.`
  }
}
