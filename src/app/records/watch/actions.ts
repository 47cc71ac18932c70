'use server'
import * as watch from '@/stations/watch/contract'
import { keepOpen, takeAsWear } from '@/stations/watch/decide'
import { lookNow } from '@/stations/watch/look'
import { defineAction } from '../../_server/action'

export const lookNowAction = defineAction(watch.lookNow, ({ db, now }, { machine }, { control }) =>
  lookNow(db, control, machine, now),
)
export const takeAsWearAction = defineAction(watch.takeAsWear, (work, given) => takeAsWear(work, given))
export const keepOpenAction = defineAction(watch.keepOpen, (work, given) => keepOpen(work, given))
