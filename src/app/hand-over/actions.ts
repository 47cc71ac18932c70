'use server'
import { ok } from '@/core/units'
import { labelFonts } from '@/runtime'
import * as handOver from '@/stations/hand-over/contract'
import { dropPost } from '@/stations/hand-over/drop-post'
import { keepLabel, tryLabel } from '@/stations/hand-over/keep-label'
import { keepPost, tryTemplate } from '@/stations/hand-over/keep-post'
import { printLabels } from '@/stations/hand-over/print-labels'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { voidHandover } from '@/stations/hand-over/void-hand-over'
import { noteNfc, prepareNfc } from '@/stations/hand-over/nfc'
import { writeTag } from '@/stations/hand-over/write-tag'
import { refusalText } from '@/words/refusals'
import { defineAction, defineQuestion } from '../_server/action'

export const releaseAction = defineAction(handOver.releaseHandover, (work, release, { control }) =>
  releaseHandover(work, control, release),
)
export const voidHandoverAction = defineAction(handOver.voidHandover, (work, { serial, reason }) =>
  voidHandover(work, serial, reason),
)
export const dropPostAction = defineAction(handOver.dropPost, (work, given, { control, drop }) =>
  dropPost(work, control, drop, given),
)
export const printLabelsAction = defineAction(handOver.printLabels, (work, { ids }, { printer, heavy }) =>
  printLabels(work, printer, heavy, labelFonts(), ids),
)
export const writeTagAction = defineAction(handOver.writeTag, (work, { serial }, { tagOf }) =>
  writeTag(work, tagOf(serial), serial),
)
export const prepareNfcAction = defineQuestion(handOver.prepareNfc, (given, { db }) => prepareNfc(db, given))
export const noteNfcAction = defineAction(handOver.noteNfc, noteNfc)
export const tryTemplateAction = defineQuestion(
  handOver.tryTemplate,
  async (given, { db, control, now, units, person, heavy }) => {
    const tried = await tryTemplate(db, control, given, now, person, heavy)
    if (!tried.ok) return tried
    const { wrong, ...trial } = tried.value
    return ok({ ...trial, wrong: wrong && refusalText(wrong, units) })
  },
)
export const keepPostAction = defineAction(handOver.keepPost, (work, given, { control, heavy }) =>
  keepPost(work, control, given, heavy),
)
export const tryLabelAction = defineQuestion(handOver.tryLabel, (given, { db, person, heavy }) =>
  tryLabel(db, labelFonts(), given, person, heavy),
)
export const keepLabelAction = defineAction(handOver.keepLabel, (work, given, { heavy }) =>
  keepLabel(work, labelFonts(), given.machine, given, heavy),
)
