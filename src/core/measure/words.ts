/** The frame warnings and errors in plain words. */
import { featureName } from './features'
import type { SetError } from './measure-set'
import type { FrameWarning } from './measure-frame'

const mm = (value: number) => `${value.toFixed(value < 0.1 ? 3 : 2)} mm`

export function warningText(edge: number, warning: FrameWarning): string {
  switch (warning.code) {
    case 'DEBRIS':
      return `Wipe edge ${edge} and measure it again: something ${mm(warning.high)} high sits on it.`
    case 'NOTCH':
      return `Edge ${edge} has a notch ${mm(warning.deep)} deep: look whether it is broken out.`
    case 'CUT_OFF_RIGHT':
      return `Edge ${edge} leaves the picture at the right: move the carriage outwards, its radius cannot be read.`
    case 'CUT_OFF_BOTTOM':
      return `Edge ${edge} still gets wider where it leaves the picture at the bottom. Move the carriage down to its widest place.`
    case 'CUT_OFF_TOP':
      return `Edge ${edge} leaves the picture at the top: move the carriage up, its length cannot be read.`
    case 'NO_CORNER_ARC':
      return `Edge ${edge} shows no arc of 15 pixels or more between its flank and its end: no corner radius.`
    case 'NO_FLANK':
      return `Edge ${edge} shows no flank away from the axis: its radius cannot be read.`
    case 'NO_POINT':
      return `Edge ${edge} shows no point between two straight lips: no point angle.`
    case 'NO_SIDE':
      return `Edge ${edge} shows no straight side that tells its ${featureName[warning.feature].toLowerCase()} (${warning.feature}).`
    case 'NOT_SHARP':
      return `Edge ${edge} is out of focus: turn it into the plane of the light, or look at the lens. Nothing of it counts.`
    case 'NO_END':
      return `Edge ${edge} shows no end: its length cannot be read.`
  }
}

export function setErrorText(error: SetError): string {
  if (error.code === 'NOTHING_MEASURED') return `${error.file}: nothing that was asked for can be measured in these pictures.`
  switch (error.problem) {
    case 'NO_EDGE':
      return `${error.file}: no edge of a tool can be seen. The tool must reach into the picture from the left or from below.`
    case 'TOO_DARK':
      return `${error.file}: the picture is too dark to place an edge. Turn the back light up or clean the glass.`
    case 'BURNT_OUT':
      return `${error.file}: the field is burnt out (255). Turn the back light or the exposure down.`
  }
}
