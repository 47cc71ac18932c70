import { shrinkSetup, USUAL_PRACTICE, type ShrinkError, type ShrinkJoint, type ShrinkSetup } from '@/core/clamp'
import type { Job } from '@/core/plan'
import {
  refuseStack,
  stackUp,
  type Definition,
  type Refusal,
  type ShrinkHolder,
  type SolidCutter,
  type StackUp,
} from '@/core/tool'
import { degToRad, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getJob } from '@/db/job/read'
import { cutterOf, getDefinition, holderOf, listDefinitions, listHolders, stockOf, type HolderRead } from '@/db/library/read'

export interface BuildSheet {
  readonly job: Job | null
  readonly definition: Definition
  readonly holder: ShrinkHolder
  readonly cutter: SolidCutter
  readonly stack: StackUp
  readonly stackRefusals: readonly Refusal[]
  readonly setup: Result<ShrinkSetup, ShrinkError>
  readonly inStock: number
  /** Holders of the right type that are free now. */
  readonly free: readonly HolderRead[]
}

export function jointOf(holder: ShrinkHolder, cutter: SolidCutter, stack: StackUp): ShrinkJoint {
  return {
    bore: holder.boreLimits,
    noseMm: holder.noseMm,
    noseHalfAngleRad: degToRad(holder.noseHalfAngleDeg),
    heatedMm: holder.heatedMm,
    holderMaterial: 'hot-work steel',
    greatestC: holder.greatestC,
    yieldMPa: holder.yieldMPa,
    shankMm: cutter.DMM,
    shankClass: cutter.shankClass,
    shankMaterial: cutter.shankMaterial,
    coolantBoreMm: cutter.coolantBoreMm,
    gripMm: Math.max(0, stack.depthMm),
  }
}

export function readBuildOf(db: Db, definition: Definition, job: Job | null): BuildSheet {
  const holder = holderOf(db, definition.holder)
  const cutter = cutterOf(db, definition.cutter)
  const stack = stackUp(definition, holder, cutter)
  return {
    job,
    definition,
    holder,
    cutter,
    stack,
    stackRefusals: refuseStack(stack, holder, cutter),
    setup: shrinkSetup(jointOf(holder, cutter, stack), USUAL_PRACTICE, definition.torqueNm),
    inStock: stockOf(db, cutter.id),
    free: listHolders(db).filter((h) => h.component === holder.id && !h.carries && !h.retired),
  }
}

/** The sheet for a job's T number; null when the job or a definition for it is not there. */
export function readBuild(db: Db, jobId: string, t: number): BuildSheet | null {
  const job = getJob(db, jobId)
  const current = job && listDefinitions(db).find((d) => d.t === t && d.machines.includes(job.machine))
  const definition = current && getDefinition(db, current.id)
  return job && definition ? readBuildOf(db, definition, job) : null
}

export function shrinkErrorText(error: ShrinkError): string {
  switch (error.code) {
    case 'SIZE_NOT_IN_TABLE':
      return `A shank of ${error.nominalMm} mm is outside ISO 286 as far as it is kept here (to 50 mm).`
    case 'SHANK_TOO_COARSE':
      return `A shank to ${error.shankClass} is too coarse to shrink: take h6 or better.`
    case 'NO_INTERFERENCE':
      return `With the smallest shank and the widest bore nothing grips (${(error.leastMm * 1000).toFixed(0)} µm). This pair must not be shrunk.`
    case 'TOO_HOT':
      return `The tightest pair needs ${error.neededC.toFixed(0)} °C; this holder may see ${error.limitC} °C at most.`
    case 'OVERSTRESSED':
      return `The nose would be stressed to ${error.stressMPa.toFixed(0)} N/mm², its limit is ${error.yieldMPa}.`
  }
}
