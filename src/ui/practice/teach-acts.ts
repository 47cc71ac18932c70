import type { Ask } from '@/stations/contract'
import type * as teaching from '@/stations/teaching/contract'

export interface TeachActs {
  readonly make: Ask<typeof teaching.makeLesson>
  readonly retire: Ask<typeof teaching.retireLesson>
  readonly put: Ask<typeof teaching.putCondition>
  readonly end: Ask<typeof teaching.endCondition>
}
