import type { PlanRefusals } from '@/stations/plan/contract'
import type { Sentences } from './sentences'

export const PLAN: Sentences<PlanRefusals> = {
  BAD_MAGAZINE: (bad) =>
    bad.why === 'JOB_TOO_LARGE'
      ? `Job ${bad.job} needs ${bad.tools} tools, the magazine has ${bad.pockets} pockets. Split the job.`
      : bad.why === 'LOADED_TOO_LARGE'
        ? `${bad.tools} tools are said to be in a magazine of ${bad.pockets} pockets. Count again.`
        : `${bad.tool} is said to be in the magazine twice. Name it once.`,
}
