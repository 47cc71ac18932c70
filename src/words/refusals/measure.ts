import { featureWord } from '../properties'
import { frameSetErrorText } from '../files'
import type { FigureError, MixUp } from '@/core/sets'
import type { MeasureRefusals } from '@/stations/measure/contract'
import { lineErrorText } from '../devices'
import { dueText } from '../measure'
import { pinErrorText, routineErrorText, setErrorText } from '../pictures'
import { nominal, sized } from '../size'
import { dayText } from '../time'
import type { Sentences } from './sentences'

const MIXED: Readonly<Record<MixUp, string>> = {
  twice: 'twice the wanted value. Is it the diameter instead of the radius?',
  half: 'half the wanted value. Is it the radius instead of the diameter?',
  inch: 'the wanted value in inches. Switch the unit, or type the unit behind it.',
  mm: 'the wanted value in millimetres. Switch the unit, or type mm behind it.',
}

const FIGURE: Readonly<Record<FigureError['code'], string>> = {
  TYPED_DIFFERENT: 'was not the same both times. Read it again and type it twice.',
  MISSING: 'is missing. The tool is judged by it.',
  NOT_POSITIVE: 'must be more than zero.',
}

export const MEASURE: Sentences<MeasureRefusals> = {
  UNKNOWN_ADAPTER: ({ serial }) => `There is no adapter ${serial}. Scan the mark on the adapter, or enter it.`,
  SAME_ADAPTER: ({ serial }) => `${serial} is on the spindle already.`,
  ADAPTER_EXISTS: ({ serial }) => `There is an adapter ${serial} already.`,
  WRONG_ADAPTER: ({ has, needs }) =>
    `The tool is ${needs}, the adapter on the spindle is for ${has}. Change the adapter, then check it with its master.`,
  UNKNOWN_MASTER: () => 'There is no such master.',
  CERTIFICATE_ENDED: () => 'This certificate has ended already. Check the date.',
  OTHER_CERTIFICATE: ({ master, awayMm }, unit) =>
    `The new values differ by ${sized(awayMm, unit)} from the old ones. Is it the certificate of ${master}?`,
  CHECK_NOT_DUE: () => 'The master check is not due. Measuring is not stopped.',
  MASTER_DUE: ({ due }) => `${dueText(due)} Measure the master first.`,
  VALUES_MASTER_DUE: ({ due, master }) =>
    `${due === 'never' ? 'The bench without a camera has not been checked with its master yet.' : 'The master check of the bench without a camera is too old.'} Measure ${master ?? 'its master'} there and type what it reads.`,
  NO_MASTER: ({ coupling }) =>
    coupling === null
      ? 'There is no master for the adapter on the spindle. Change the adapter, or enter its master.'
      : `There is no master for ${coupling}. A lead can enter it.`,
  OTHER_MASTER: ({ scanned, master }) => `${scanned} was scanned. The master for this taper is ${master}. Nothing was saved.`,
  MASTER_EXPIRED: ({ master, until }) =>
    `The certificate of ${master} ended on ${dayText(until)}. Have it calibrated. A lead can let measuring go on.`,
  MASTER_NOT_WHOLE: () => 'The whole master must be in the picture at two turns of the spindle. Measure it again.',
  TOO_FAR: ({ bench }, unit) =>
    bench === 'this'
      ? `The master reads more than ${nominal(0.02, unit)} off. Clean spindle, adapter and master and measure again. A lead can accept it with a reason.`
      : `The bench without a camera reads the master more than ${nominal(0.02, unit)} off. Set its zero, or clean adapter and master, then read it again.`,
  OTHER_ZERO: ({ measuring }) =>
    measuring === 'master'
      ? 'Somebody else has checked the bench meanwhile. Measure the master again.'
      : 'The bench was checked with its master after these pictures were taken. Measure the tool again.',
  OTHER_PROGRAM: () => 'The measuring routine was changed after these pictures were taken. Measure the tool again.',
  OTHER_SCALE: () => 'The pictures have another scale than this bench. Nothing was saved.',
  FRAME_SET: ({ error }) => frameSetErrorText(error),
  SET: ({ error }) => setErrorText(error),
  DEBRIS: ({ edge }) =>
    edge === null
      ? 'There is something on the master. Clean it and measure it again.'
      : `There is something on edge ${edge}. Clean it and measure it again before saving.`,
  TOO_YOUNG: ({ days }) => `Pictures must be at least ${days} days old to be deleted.`,
  CREPT: ({ machine, byMm }, unit) =>
    `It is ${sized(byMm, unit)} longer than before it went into ${machine}: the cutter has moved in its clamping. Clamp it again and measure it, or say why.`,
  JUMP: ({ feature, byMm }, unit) =>
    `${featureWord(feature)} changed by ${byMm > 0 ? '+' : '−'}${sized(Math.abs(byMm), unit)} since the last measurement. Say why, or measure again.`,
  NO_DEFINITION: () => 'Only a tool with a definition can have a measuring routine. Add its definition in the library.',
  ROUTINE: ({ error }) => routineErrorText(error),
  CAMERA_DUE: ({ masters }) =>
    masters.length
      ? `This camera is not calibrated for this taper, or its calibration is too old. Calibrate it on ${masters.join(' or ')}.`
      : 'There is no master for this taper. A lead can enter it.',
  PIN: ({ error }) => pinErrorText(error),
  NO_LINE: () => 'No serial gauge is connected. Type the values twice, or set BOULDER_LINE_BENCH.',
  LINE: ({ error }) => lineErrorText(error),
  MIXED_UP: ({ feature, mixed }) => `${featureWord(feature)} is ${MIXED[mixed]} If it is right, say why.`,
  CAMERA_SAID_OUT: ({ feature }) =>
    `The camera found ${featureWord(feature).toLowerCase()} out of tolerance. Typed values do not replace that. Note on the tool page what was done to the tool, or measure it with the camera.`,
  FIGURES: ({ error }) => `${featureWord(error.key)} ${FIGURE[error.code]}`,
  OTHER_TAPER: ({ serial, has, not }) => `Holder ${serial} is ${has}, not ${not}.`,
}
