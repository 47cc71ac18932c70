'use server'
import * as causes from '@/stations/causes/contract'
import { sayCause } from '@/stations/causes/tool-causes'
import { defineAction } from '../../_server/action'

export const sayCauseAction = defineAction(causes.sayCause, (work, given) => sayCause(work, given))
