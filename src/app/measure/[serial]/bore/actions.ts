'use server'
import * as bore from '@/stations/bore/contract'
import { moveDial, saveBore, setDial } from '@/stations/bore/set-dial'
import { defineAction } from '../../../_server/action'

export const setDialAction = defineAction(bore.setDial, setDial)
export const moveDialAction = defineAction(bore.moveDial, moveDial)
export const saveBoreAction = defineAction(bore.saveBore, saveBore)
