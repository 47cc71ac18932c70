import type { CheckDue, FeatureKey, FigureError, MixUp, ProgramError, SetError } from '@/core/measure'
import type { Coupling } from '@/core/tool'
import type { LineError } from '@/devices/line-bench/port'
import type { Bare } from '@/core/units'

export interface MeasureRefusals {
  UNKNOWN_ADAPTER: { readonly serial: string }
  SAME_ADAPTER: { readonly serial: string }
  ADAPTER_EXISTS: { readonly serial: string }
  WRONG_ADAPTER: { readonly has: Coupling; readonly needs: Coupling }
  UNKNOWN_MASTER: Bare
  CERTIFICATE_ENDED: Bare
  /** The new certificate is too far from the old one. */
  OTHER_CERTIFICATE: { readonly master: string; readonly awayMm: number }
  CHECK_NOT_DUE: Bare
  MASTER_DUE: { readonly due: CheckDue }
  VALUES_MASTER_DUE: { readonly due: 'never' | 'shift'; readonly master: string | null }
  /** @param coupling of the other bench; null: none belongs to the adapter on the spindle */
  NO_MASTER: { readonly coupling: Coupling | null }
  OTHER_MASTER: { readonly scanned: string; readonly master: string }
  MASTER_EXPIRED: { readonly master: string; readonly until: string }
  MASTER_NOT_WHOLE: Bare
  TOO_FAR: { readonly bench: 'this' | 'other' }
  /** The bench was checked after the pictures were taken. */
  OTHER_ZERO: { readonly measuring: 'master' | 'tool' }
  OTHER_PROGRAM: Bare
  OTHER_SCALE: Bare
  /** Pictures that cannot be unpacked. @param detail a sentence of the reader of such files */
  FRAME_SET: { readonly error: { readonly code: 'BAD_FRAMESET' | 'TOO_LARGE'; readonly detail: string } }
  SET: { readonly error: SetError }
  /** @param edge null: on the master */
  DEBRIS: { readonly edge: number | null }
  TOO_YOUNG: { readonly days: number }
  /** Longer than when it went into the machine. */
  CREPT: { readonly machine: string; readonly byMm: number }
  JUMP: { readonly feature: FeatureKey; readonly byMm: number }
  NO_DEFINITION: Bare
  ROUTINE: { readonly error: ProgramError }
  NO_LINE: Bare
  LINE: { readonly error: LineError }
  MIXED_UP: { readonly feature: FeatureKey; readonly mixed: MixUp }
  CAMERA_SAID_OUT: { readonly feature: FeatureKey }
  FIGURES: { readonly error: FigureError }
  OTHER_TAPER: { readonly serial: string; readonly has: Coupling; readonly not: Coupling }
}
