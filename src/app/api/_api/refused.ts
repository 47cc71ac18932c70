/** A verb's refusal as the API tells it: one table gives the status, `words` the sentence. */
import { SI } from '@/core/units'
import { outerCode, type Refusal, type RefusalCode } from '@/stations/refusals'
import { refusalText } from '@/words/refusals'
import { problem } from './problem'

const STATUS: Readonly<Partial<Record<RefusalCode, number>>> = {
  NOBODY: 409,
  BUSY: 503,
  DISK_FULL: 507,
  READ_ONLY: 503,
  BROKEN_FILE: 503,
  OTHER_SCHEMA: 503,
  UNKNOWN_MACHINE: 404,
  UNKNOWN_SERIAL: 404,
  UNKNOWN_HOLDER: 404,
  UNKNOWN_HANDOVER: 404,
  UNKNOWN_JOB: 404,
  UNKNOWN_PART: 404,
  VALUES_DIFFER: 409,
  SUPERSEDED: 409,
  OTHER_HOLDER: 409,
  OTHER_MASTER: 409,
  OTHER_ZERO: 409,
  OTHER_PROGRAM: 409,
  NO_MASTER: 409,
  NOT_NOW: 409,
  CHANGED: 409,
  CLAIMED: 409,
  CLAIM_LOST: 409,
  WRONG_ADAPTER: 409,
  MASTER_DUE: 409,
  CAMERA_DUE: 409,
  JUMP: 409,
  CREPT: 409,
}

function statusOf(refusal: Refusal): number {
  if (refusal.code === 'CONTROL' && refusal.error.code === 'UNREACHABLE') return 502
  if (refusal.code === 'FRAME_SET' && refusal.error.code === 'TOO_LARGE') return 413
  return STATUS[refusal.code] ?? 422
}

export const refused = (refusal: Refusal): Response => problem(statusOf(refusal), outerCode(refusal), refusalText(refusal, SI))
