/**
 * Two people do the same thing on two terminals, verb by verb: none is forgotten. `told`: one wins, the other is refused and changes
 * nothing. `same`: the second finds it done. `both`: each counts, which is right for a reason. `shown`: in a test of its own.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { exportedTables } from '@/db/export'
import type { Db } from '@/db/connection'
import { listClients } from '@/db/client/read'
import { getJob } from '@/db/job/read'
import { getDefinition } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import { getPersonRow } from '@/db/person/read'
import { readDevices } from '@/db/shop/devices'
import { loadLimitsOf, magazineOf, type Machine } from '@/core/tool'
import { abandonBuild, beginBuild, tickStep } from '@/stations/build/begin-build'
import { dropBalance, typeBalance } from '@/stations/balance/correct'
import { beginCalibration, dropCalibration, readCalibration } from '@/stations/balance/calibrate'
import { readBuild } from '@/stations/build/build-sheet'
import { heatOutByHand } from '@/stations/build/heat-out'
import { shrinkByHand } from '@/stations/build/shrink'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { saveFigures } from '@/stations/measure/save-figures'
import { saveValuesCheck } from '@/stations/measure/check-values'
import { finishBuild } from '@/stations/build/build-tool'
import { correctCondition, disturb, takeApart } from '@/stations/build/take-apart'
import { putDevices } from '@/stations/devices/put-devices'
import { voidHandover } from '@/stations/hand-over/void-hand-over'
import { addJob, closeJob } from '@/stations/kit/add-job'
import { changeJob, copyJob, reopenJob } from '@/stations/kit/change-job'
import { neededNow, takeBackNow } from '@/stations/kit/needed-now'
import { putBack, shortPick, takePart } from '@/stations/kit/pick'
import { listNotes } from '@/db/note/read'
import { tickOff, writeNote } from '@/stations/kit/shift'
import { addHolder } from '@/stations/library/holder-care'
import { putDefinition } from '@/stations/library/put-definition'
import { keepLimits } from '@/stations/load/keep-limits'
import { addAdapter, overruleCheck } from '@/stations/measure/adapter'
import { takeInTool } from '@/stations/measure/take-in-tool'
import { listHooks } from '@/db/hook/read'
import { endHook, makeHook } from '@/stations/outside/hooks'
import { endClient, makeClient } from '@/stations/people/clients'
import { putShop } from '@/stations/people/put-shop'
import { putPerson } from '@/stations/people/put-person'
import type { Refusal } from '@/stations/refusals'
import { VERBS } from '@/stations/rights'
import { putRow, retireRow, standardCoupling } from '@/stations/set-up/put-row'
import { book, countStock, moves, putRight } from '@/stations/store/book'
import { putIntoPlace } from '@/stations/store/slot'
import type { Result } from '@/core/units'
import { cellsOf, machineRow } from '@/core/set-up'
import { readRows } from '@/stations/set-up/pages'
import { codeOf, later, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'
import { heavyHere } from '@/codecs/heavy'
import { CHECK_RS274 } from '@/codecs/check-block'
import { keepCheckBlock } from '@/stations/at-machine/check-block'
import { runCheck } from '../../standins/control/probe'
import { setStation } from '@/stations/at-machine/set-station'
import { noteTouchOff } from '@/stations/at-machine/note-touch-off'

type Change = (who: 'oda' | 'ruth', n: 1 | 2) => Promise<Result<unknown, Refusal>> | Result<unknown, Refusal>
interface Twice {
  readonly way: 'told' | 'same' | 'both'
  /** Why both count, where they do. */
  readonly why?: string
  /** What both see; then each does it. Both are leads: it is not rights that keep one back. */
  readonly open: (room: ToolRoom) => Change | Promise<Change>
  readonly room?: () => ToolRoom | Promise<ToolRoom>
}
type Case = Twice | { readonly shown: string; readonly by: string } | { readonly none: string }

const told = (open: Twice['open'], room?: Twice['room']): Case => ({ way: 'told', open, room })
const same = (open: Twice['open'], room?: Twice['room']): Case => ({ way: 'same', open, room })
const both = (why: string, open: Twice['open'], room?: Twice['room']): Case => ({ way: 'both', why, open, room })
/** In a test of its own: the file, and what it is called there. */
const shown = (by: string, title: string): Case => ({ shown: title, by })
const LOST = (name: string): Case => shown('lost-updates', `name: '${name}'`)
const READS: Case = { none: 'it changes nothing' }
const STAND_IN: Case = { none: 'hands at a stand-in, which a shop does not have' }

const JOB = 'HP-2207'
const SERIAL = 'BX00143'
const built = () => withT4(withJobs(toolRoom()))
const wasMeasured = () => measured(built())
const building = () => {
  const room = withJobs(toolRoom())
  valueOf(beginBuild(room.as('ines'), JOB, 4, SERIAL))
  return room
}
/** What the other bench reads of its master; certified 150.0021 and 40.0004. */
const CHECKED = { coupling: 'HSK-A63', scanned: 'MS-HSKA63-1', LFmm: 150.002, DCmm: 40.0004 }
const SCRAPPED = { component: 'C-EM10R10', count: 1, to: 'scrap' as const, wear: 'corner broken' }
/** T6, a drill in a collet, begun on BX00154. */
const withDrill = () => {
  const room = toolRoom()
  const extra = [{ t: 6, name: null, count: 1, minutesEach: null, source: 'by hand' as const }]
  valueOf(addJob(room.as('oda'), { ...job('HP-9'), extra }))
  valueOf(beginBuild(room.as('ines'), 'HP-9', 6, 'BX00154'))
  return room
}
const job = (id: string) => ({
  ...{ id, name: id, machine: 'HERON', dueAt: later(120), quantity: 1, priority: 0, programs: [] },
  extra: [{ t: 4, name: null, count: 1, minutesEach: null, source: 'by hand' as const }],
})
const typedMachine = (machine: Machine) => cellsOf('machine', machineRow(machine), 'mm')

const CASES: Readonly<Record<string, Case>> = {
  'at-machine.checkBlock': READS,
  'at-machine.keepCheckBlock': told((room) => {
    const { version } = getMachine(room.db, 'HERON')!
    const checking = {
      heavy: heavyHere,
      tryCheck: (text: string, setter: { at: number; off: number }) =>
        Promise.resolve({ ok: true as const, value: runCheck(text, setter) }),
    }
    const asked = {
      machine: 'HERON',
      t: 12,
      feature: 'length',
      allowedMm: 0.1,
      setterMm: -40,
      clearMm: 20,
      feedMm: 100,
      label: 101,
    } as const
    return (who, n) =>
      keepCheckBlock(room.as(who, n), checking, {
        ...asked,
        template: `(${n})
${CHECK_RS274}`,
        version,
      })
  }),
  'at-machine.setStation': told((room) => {
    const { version } = getMachine(room.db, 'WAGTAIL')!
    return (who, n) =>
      setStation(room.as(who, n), { machine: 'WAGTAIL', station: 3, master: 'MS-1', off: { xMm: 0.01 * n, zMm: 0 }, version })
  }),
  'at-machine.changeInsert': shown('at-machine', 'the one that saw an older state does nothing'),
  'at-machine.noteTouchOff': both(
    'each was found by whoever stood there',
    (room) => (who, n) =>
      noteTouchOff(room.as(who, n), room.control, {
        ...{ machine: 'HERON', t: 4, what: 'length', method: 'by hand', valueMm: 118, minutes: 8, looked: true },
      }),
  ),
  'balance.setWanted': shown('balance-again', 'the one that saw an older state does nothing'),
  'balance.spindleState': READS,
  'balance.startSpin': shown('balance-again', 'the one that saw an older state does nothing'),
  'balance.takeSpin': shown('balance-again', 'the one that saw an older state does nothing'),
  'balance.computeFits': READS,
  'balance.chooseFit': shown('balance-again', 'the one that saw an older state does nothing'),
  'balance.confirmStep': shown('balance', 'a step is done once'),
  'balance.saveBalance': shown('balance-again', 'the one that saw an older state does nothing'),
  'balance.typeBalance': both(
    'each result counts until the next one',
    (room) => (who, n) => typeBalance(room.as(who, 70 + n), { serial: SERIAL, grade: 2, rpm: 16_000, by: 'Larch Balancing' }),
    wasMeasured,
  ),
  'balance.dropBalance': same((room) => (who, n) => dropBalance(room.as(who, 70 + n), SERIAL), wasMeasured),
  'bore.setDial': shown('bore', 'the one that saw an older state does nothing'),
  'bore.moveDial': shown('bore', 'the one that saw an older state does nothing'),
  'bore.saveBore': shown('bore', 'the one that saw an older state does nothing'),
  'balance.beginCalibration': told((room) => {
    const { version } = readCalibration(room.db)
    return (who) => beginCalibration(room.as(who), { rotor: 'R-1', backMm: 20, frontMm: 90, trialGmm: 8, version })
  }),
  'balance.startCalibrationSpin': shown('balance-again', 'that broke off is nobody’s: the spindle is free for the next'),
  'balance.takeCalibrationSpin': shown('balance-again', 'that broke off is nobody’s: the spindle is free for the next'),
  'balance.dropCalibration': both('nothing is left either way', (room) => (who) => dropCalibration(room.as(who))),

  'build.beginBuild': shown('kit-build', 'two terminals with the same holder'),
  'build.finishBuild': told(
    (room) => (who) => finishBuild(room.as(who, 30), 'BX00154'),
    () => {
      const room = withDrill()
      for (const { id } of readBuild(room.db, 'HP-9', 6, null, later(0))!.steps)
        valueOf(tickStep(room.as('ines'), 'BX00154', id, true))
      return room
    },
  ),
  'build.abandonBuild': told((room) => (who) => abandonBuild(room.as(who), SERIAL), building),
  'build.tickStep': same(
    (room) => (who) => tickStep(room.as(who), SERIAL, readBuild(room.db, JOB, 4, SERIAL, later(0))!.steps[0].id, true),
    building,
  ),
  'build.addExtension': shown('build-steps', 'an extension is scanned in, belongs to that tool'),
  'build.startHeat': shown('build-steps', 'begun by a scan, heated once, cooled, and built by the second scan'),
  'build.coolDown': shown('build-steps', 'begun by a scan, heated once, cooled, and built by the second scan'),
  'build.shrinkByHand': told((room) => {
    for (const step of ['shank', 'clean', 'stop', 'coil']) valueOf(tickStep(room.as('ines'), SERIAL, step, true))
    return (who) => shrinkByHand(room.as(who), SERIAL, 'air')
  }, building),
  'build.heatOut': shown('condition', 'gets one heat, then cools fully'),
  'build.coolOut': shown('condition', 'gets one heat, then cools fully'),
  'build.heatOutByHand': told((room) => (who) => heatOutByHand(room.as(who, 80), SERIAL, 'contact', null), built),
  'build.takeOut': shown('build-steps', 'begun by a scan, heated once, cooled, and built by the second scan'),
  'build.unitState': READS,
  'build.correctCondition': told(
    (room) => (who) => correctCondition(room.as(who), SERIAL, 'looked at again'),
    () => {
      const room = built()
      valueOf(neededNow(room.as('ines', 70), SERIAL))
      return room
    },
  ),
  'build.takeApart': told(
    (room) => (who) => takeApart(room.as(who, 90), { serial: SERIAL, dispositions: [SCRAPPED] }),
    () => {
      const room = built()
      valueOf(heatOutByHand(room.as('ines', 80), SERIAL, 'contact', null))
      return room
    },
  ),
  'build.disturb': both(
    'each tells of a touch; it waits to be measured either way',
    (room) => (who, n) => disturb(room.as(who, 70 + n), SERIAL, 'dropped'),
    wasMeasured,
  ),
  'build.putSteps': LOST('steps'),

  'devices.putDevices': told((room) => {
    const seen = readDevices(room.db, true)
    return (who, n) => putDevices(room.as(who, n), { ...seen, tag: n === 1 ? 'none' : 'stand-in' }, true)
  }),
  'devices.putOwnDevices': shown('devices', 'are its own, and the rest is as the shop has it, whoever signs in there'),
  'devices.tryDevice': READS,
  'find.findAnything': READS,

  'hand-over.releaseHandover': shown('claim', 'two release at once: one does, the other is told who'),
  'hand-over.voidHandover': told(
    (room) => (who) => voidHandover(room.as(who, 80), SERIAL, 'wrong machine'),
    async () => {
      const room = wasMeasured()
      valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: SERIAL, scanned: SERIAL }))
      return room
    },
  ),
  'hand-over.dropPost': shown('posts', 'is refused for what is out of date, unknown, or there twice'),
  'hand-over.printLabels': { none: 'each prints: one label more does no harm, its number is the same' },
  'hand-over.prepareNfc': READS,
  'hand-over.noteNfc': shown('tag', 'notes what was read back, whoever wrote it'),
  'hand-over.writeTag': { none: 'each writes the same record, which counts once it was read back' },
  'hand-over.tryTemplate': READS,
  'hand-over.keepPost': shown('posts', 'is kept once the control has shown that the figures arrive'),
  'hand-over.tryLabel': READS,
  'hand-over.keepLabel': shown('labels', "{ ...own, version: 1 }, heavyHere))).toBe('CHANGED')"),

  'kit.addJob': told((room) => (who) => addJob(room.as(who), job('HP-7'))),
  'kit.addTools': LOST('tools of a job'),
  'kit.closeJob': told((room) => (who) => closeJob(room.as(who), JOB, 'cancelled')),
  'kit.changeJob': told((room) => {
    const { name, dueAt, priority, version } = getJob(room.db, JOB)!
    return (who, n) => changeJob(room.as(who, n), JOB, { name, dueAt, priority, version, quantity: 4 + n })
  }),
  'kit.copyJob': told((room) => (who) => copyJob(room.as(who), JOB, { id: 'HP-8', dueAt: later(900) })),
  'kit.reopenJob': told(
    (room) => (who) => reopenJob(room.as(who, 2), JOB, 'one more'),
    () => {
      const room = withJobs(toolRoom())
      valueOf(closeJob(room.as('oda', 1), JOB, 'done'))
      return room
    },
  ),
  'kit.mapTool': LOST('what a T of a job is'),
  'kit.neededNow': told((room) => (who) => neededNow(room.as(who, 70), SERIAL), built),
  'kit.takeBackNow': told(
    (room) => (who) => takeBackNow(room.as(who, 71), 'NOW-1', 'it was the other one'),
    () => {
      const room = built()
      valueOf(neededNow(room.as('ines', 70), SERIAL))
      return room
    },
  ),
  'kit.takePart': shown('store', 'two processes take it at the same moment: one gets it, the other is told'),
  'kit.putBack': told((room) => {
    valueOf(book(room.as('oda'), moves.receive('K25-12', 1, 'CEDAR-4')))
    valueOf(
      addJob(room.as('oda'), { ...job('HP-9'), extra: [{ t: 6, name: null, count: 1, minutesEach: null, source: 'by hand' }] }),
    )
    valueOf(takePart(room.as('oda'), { job: 'HP-9', component: 'K25-12', count: 1, place: 'CEDAR-4' }))
    return (who) => putBack(room.as(who), { job: 'HP-9', component: 'K25-12', count: 1 })
  }),
  'kit.shortPick': told((room) => {
    valueOf(book(room.as('ines'), moves.receive('K25-12', 3, 'CEDAR-4')))
    return (who) => shortPick(room.as(who), { component: 'K25-12', place: 'CEDAR-4', found: 0 })
  }),
  'kit.reserveTool': LOST('a reservation'),
  'kit.putIntoPlace': same((room) => (who, n) => putIntoPlace(room.as(who, 90 + n), SERIAL, 'C2-1'), built),
  'kit.writeNote': both('two notes', (room) => (who, n) => writeNote(room.as(who), `Coolant low ${n}`)),
  'kit.tickOff': same((room) => {
    valueOf(writeNote(room.as('ines'), 'Coolant low'))
    const [{ id }] = listNotes(room.db)
    return (who) => tickOff(room.as(who), id)
  }),

  'library.putPart': shown('library', 'changed by two at once: the second is told'),
  'library.putDefinition': told((room) => {
    const seen = getDefinition(room.db, 'D-0004')!
    return (who, n) => putDefinition(room.as(who), { ...seen, name: `End mill ${n}` })
  }),
  'library.regrind': shown('library', 'is a part of its own with a new nominal'),
  'library.addHolder': told(
    (room) => (who) => addHolder(room.as(who), { serial: 'BX00999', component: 'H-HSK63-20', place: null }),
  ),
  'library.inspectHolder': LOST('an inspection'),
  'library.replaceStud': LOST('a pull stud'),
  'library.previewCsv': READS,
  'library.importCsv': shown('library', 'takes in everything, or nothing'),
  'library.readContour': READS,
  'library.readArchetype': READS,
  'library.importFile': shown('library', 'takes in everything, or nothing'),

  'load.beginLoad': shown('load', 'the same tool: it is one load'),
  'load.turnMagazine': shown('claim', 'is looked at before and after every question to the control'),
  'load.tickStep': shown('load', 'claims, turns, waits for door and pocket'),
  'load.typeFigure': shown('load', 'a control that only takes typing'),
  'load.loadTool': shown('load', 'only one of two presses is the one that puts it in'),
  'load.dropLoad': shown('claim', 'two terminals at one control'),
  'load.keepLimits': told((room) => {
    const heron = getMachine(room.db, 'HERON')!
    return (who, n) =>
      keepLimits(room.as(who), 'HERON', { ...loadLimitsOf(heron), measuredDays: 20 + n }, magazineOf(heron), heron.version)
  }),

  'measure.changeAdapter': LOST('the adapter'),
  'measure.addAdapter': told(
    (room) => (who) => addAdapter(room.as(who), { serial: 'AD-NEW-1', coupling: 'SK 40', name: 'Adapter' }),
  ),
  'measure.renewMaster': LOST('a certificate'),
  'measure.overruleCheck': both(
    'each lead answers for it with a reason',
    (room) => (who, n) => overruleCheck(room.as(who, 600 + n), `master is away ${n}`),
  ),
  'measure.saveValuesCheck': both(
    'each checks the bench; the last one counts',
    (room) => (who, n) => saveValuesCheck(room.as(who, n), CHECKED),
  ),
  'measure.saveFigures': both(
    'each is a measurement of its own; the last one counts',
    (room) => {
      valueOf(saveValuesCheck(room.as('ines', 1), CHECKED))
      const figures = { LF: 118, DC: 10, RE: 1 }
      return (who, n) =>
        saveFigures(room.as(who, 60 + n), {
          serial: SERIAL,
          scanned: SERIAL,
          source: 'typed',
          first: figures,
          second: figures,
          reason: null,
        })
    },
    built,
  ),
  'measure.readLine': READS,
  'measure.cameraState': READS,
  'measure.saveLineFigures': shown('line-figures', 'are refused when the readouts have changed since they were looked at'),
  'measure.keepProgram': shown('programs', 'refuses a change of one that is not in force any more'),
  'measure.takeInTool': told(
    (room) => (who) =>
      takeInTool(room.as(who), { serial: 'BX00998', coupling: 'SK 40', name: 'Form cutter', t: null, machine: null }),
  ),
  'measure.cleanPictures': { none: 'what is gone is gone' },

  'people.signIn': { none: 'the same person may work at two terminals' },
  'people.beginShop': shown('people', 'NOT_NEW'),
  'people.signOut': { none: 'it ends one terminal’s session, whose it is' },
  'people.setPin': { none: 'the last PIN counts; both stand in the record' },
  'people.putPerson': told((room) => {
    const { id, name, version } = getPersonRow(room.db, 'tomas')!
    return (who, n) => putPerson(room.as(who), { id, name, version, role: n === 1 ? 'lead' : 'operator', retired: false })
  }),
  'people.putShop': told((room) => {
    valueOf(putShop(room.as('ruth'), { shop: 'Hollowbeck', unit: 'mm', zone: '', version: 0 }))
    return (who, n) => putShop(room.as(who, n), { shop: `Hollowbeck ${n}`, unit: 'mm', zone: '', version: 1 })
  }),
  'people.setSignIn': shown('people', 'the rule of signing in is changed by whoever saw it last'),
  'people.endSessions': { none: 'what is ended stays ended' },
  'people.makeClient': both(
    'two tokens, each of which can be ended',
    (room) => (who, n) => makeClient(room.as(who), { token: `t${n}`, hash: `h${n}` }, { name: 'List', scopes: ['read'] }),
  ),
  'people.endClient': told((room) => {
    valueOf(makeClient(room.as('ruth'), { token: 't', hash: 'h' }, { name: 'List', scopes: ['read'] }))
    const [{ id }] = listClients(room.db)
    return (who) => endClient(room.as(who), id)
  }),
  'outside.makeHook': both(
    'two addresses, each of which can be ended',
    (room) => (who, n) => makeHook(room.as(who), `s${n}`, { name: 'List', url: 'http://list.example/', events: ['loaded'] }),
  ),
  'outside.endHook': told((room) => {
    valueOf(makeHook(room.as('ruth'), 's', { name: 'List', url: 'http://list.example/', events: ['loaded'] }))
    const [{ id }] = listHooks(room.db)
    return (who) => endHook(room.as(who), id)
  }),
  'outside.tellAgain': { none: 'what is sent again is sent again once' },
  'practice.keepPractice': LOST('a value of practice'),
  'return.unloadTool': shown('return', 'two terminals take it out: one does, the other is told'),
  'return.turnForReturn': { none: 'both turn the magazine to the same pocket' },

  'set-up.putRow': told((room) => {
    const heron = getMachine(room.db, 'HERON')!
    const { version } = readRows(room.db, 'machine', 'mm').find(({ name }) => name === 'HERON')!
    return (who, n) =>
      putRow(room.as(who), {
        list: 'machine',
        name: 'HERON',
        typed: { ...typedMachine(heron), name: `Heron ${n}` },
        unit: 'mm',
        version,
      })
  }),
  'set-up.retireRow': told((room) => {
    const { version } = readRows(room.db, 'machine', 'mm').find(({ name }) => name === 'BITTERN')!
    return (who) => retireRow(room.as(who), { list: 'machine', name: 'BITTERN', retired: true, version })
  }),
  'set-up.standardCoupling': told((room) => {
    const row = readRows(room.db, 'coupling', 'mm').find(({ name }) => name === 'CAT 40')!
    valueOf(
      putRow(room.as('oda'), {
        list: 'coupling',
        name: 'CAT 40',
        typed: { ...row.cells, flangeHighMm: '30' },
        unit: 'mm',
        version: row.version,
      }),
    )
    return (who) => standardCoupling(room.as(who), { name: 'CAT 40', version: row.version + 1 })
  }),
  'set-up.previewTable': READS,
  'set-up.putTable': shown('set-up', 'holders come with their type and their place, each mark once'),

  'study.startStudy': { none: 'each starts a study of its own' },
  'study.endStudy': shown('study', 'counts no measurement of before, of somebody else, or of after its end'),
  'lessons.startLesson': { none: 'each has a lesson of their own' },
  'lessons.sayFault': { none: 'each has a lesson of their own' },
  'lessons.askOpinion': { none: 'each has a lesson of their own' },
  'lessons.endLesson': { none: 'each has a lesson of their own' },
  'lessons.startRoom': { none: 'each has a lesson of their own' },
  'lessons.stepDone': { none: 'each has a lesson of their own' },
  'lessons.endRoom': { none: 'each has a lesson of their own' },
  'teaching.makeLesson': { none: 'each makes a lesson of its own' },
  'teaching.retireLesson': shown('teaching', 'another machine asks nothing, and a lesson that is taken off asks nobody'),
  'teaching.putCondition': shown('teaching', 'heats no holder alone, either'),
  'teaching.endCondition': shown('teaching', 'heats no holder alone, either'),
  'causes.sayCause': shown('causes', 'whoever says it last before it is measured again counts'),
  'watch.takeAsWear': shown('watch', 'that is wear comes out with the tool, as wear'),
  'watch.keepOpen': shown('watch', 'that is changed once more begins anew, whatever was said of it before'),
  'watch.lookNow': READS,
  'stand-in.hand': STAND_IN,
  'stand-in.letTimePass': STAND_IN,
  'stand-in.cutBore': STAND_IN,
  'stand-in.sweepPost': STAND_IN,
  'stand-in.takeFromMachine': STAND_IN,
  'stand-in.tagTrick': STAND_IN,
  'stand-in.wipe': STAND_IN,
  'stand-in.turnScrew': STAND_IN,
  'stand-in.spindleHand': STAND_IN,
  'stand-in.reallyDo': STAND_IN,

  'store.book': both('each brings a piece', (room) => (who) => book(room.as(who), moves.receive('K25-12', 1, 'CEDAR-4'))),
  'store.countStock': same((room) => (who) => countStock(room.as(who), { component: 'K25-12', place: 'CEDAR-4', found: 2 })),
  'store.putRight': told((room) => {
    const { id } = valueOf(book(room.as('ines'), moves.receive('K25-12', 1, 'CEDAR-4')))
    return (who) => putRight(room.as(who), id)
  }),
  'store.placeUnit': LOST('a unit of the store'),
}

/** All that a shop has, but what the record and its seals tell of it. */
const stateOf = (db: Db) =>
  Object.fromEntries(
    exportedTables(db)
      .filter(({ name }) => !/^(record|record_chain|seal)$/.test(name))
      .map(({ name, rows }) => [name, [...rows()]]),
  )
/** Entries that tell of something done, by who did it. */
const doneBy = (db: Db): string[] =>
  (
    db.prepare("SELECT person_id AS who FROM record WHERE entry ->> '$.code' <> 'REFUSED' ORDER BY seq").all() as {
      who: string
    }[]
  ).map(({ who }) => who)

describe('two do the same thing', () => {
  it('every verb has its line', () => expect(Object.keys(CASES).sort()).toEqual(VERBS.map(({ name }) => name).sort()))

  it('what is shown elsewhere is shown there', () => {
    const files = new Map(
      readdirSync(import.meta.dirname)
        .filter((file) => file.endsWith('.test.ts'))
        .map((file) => [file.replace('.test.ts', ''), readFileSync(join(import.meta.dirname, file), 'utf8')]),
    )
    for (const [verb, one] of Object.entries(CASES))
      if ('shown' in one) expect(files.get(one.by)?.includes(one.shown), `${verb}: ${one.by}, ${one.shown}`).toBe(true)
  })

  const twice = Object.entries(CASES).flatMap(([name, one]) => ('open' in one ? [[name, one] as const] : []))
  it.each(twice)('%s', async (_, { way, open, room: make }) => {
    const room = await (make ?? (() => withJobs(toolRoom())))()
    const change = await open(room)
    expect(codeOf(await change('oda', 1))).toBe('ok')
    const after = stateOf(room.db)
    const entries = doneBy(room.db)
    const second = codeOf(await change('ruth', 2))
    if (way === 'told') expect(second).not.toBe('ok')
    else expect(second).toBe('ok')
    if (way === 'both') return expect(stateOf(room.db)).not.toEqual(after)
    expect(stateOf(room.db)).toEqual(after)
    if (way === 'told') expect(doneBy(room.db)).toEqual(entries)
  })
})
