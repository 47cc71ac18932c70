import { SCANNED } from '@/words/answers'
import { pocketText } from '@/words/pocket'
import { readScan } from '@/codecs/label-text'
import { wantedOf } from '@/core/plan'
import { accepts } from '@/core/tool'
import { getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getJob } from '@/db/job/read'
import { buildOn } from '@/db/build/read'
import { getComponent, getHolder } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import { getPerson } from '@/db/person/read'
import { getPlace, getUnit } from '@/db/store/read'
import { readToBuild } from '../kit/kit-sheet'
import { readLabel } from '../load/read-label'
import { labelFaultText } from '@/words/scans'
import { waitsNow } from '../rack/waits'

/** What a scan was, and where it leads when the sheet in front has no use for it. */
export interface ScanAnswer {
  readonly title: string
  readonly text: string
  readonly tone: 'holds' | 'off' | 'todo'
  readonly href?: string
  /** A badge: this person signs in. */
  readonly personId?: string
  /** What it is, for a sheet that has a use of its own for some of these. */
  readonly kind?: 'holder' | 'job' | 'part' | 'place'
}

function badgeOf(db: Db, id: string): ScanAnswer {
  const person = getPerson(db, id)
  return person
    ? { title: person.name, text: SCANNED.signedIn(person.role), tone: 'holds', personId: person.id }
    : { title: SCANNED.badge, text: SCANNED.unknownBadge, tone: 'off' }
}

/** The answer to somebody who has not signed in: of the tool room it tells nothing. */
export function answerBadge(db: Db, raw: string): ScanAnswer {
  const scan = readScan(raw)
  if (scan.type === 'badge') return badgeOf(db, scan.personId)
  return { title: SCANNED.badge, text: SCANNED.badgeFirst, tone: 'off' }
}

export function answerScan(db: Db, raw: string, now: string): ScanAnswer {
  const scan = readScan(raw)
  switch (scan.type) {
    case 'badge':
      return badgeOf(db, scan.personId)
    case 'machine': {
      const machine = getMachine(db, scan.key)
      return machine
        ? { title: machine.name, text: SCANNED.machine, tone: 'todo', href: `/load?machine=${machine.key}` }
        : { title: scan.key, text: SCANNED.unknownMachine, tone: 'off' }
    }
    case 'label': {
      const read = readLabel(db, scan.text)
      const { serial, t } = scan.label
      if (!read.ok) return { title: SCANNED.labelOf(serial), text: labelFaultText(read.error), tone: 'off' }
      return {
        title: SCANNED.labelOf(`T${t}`),
        text: SCANNED.label(serial, scan.label.issue),
        tone: 'holds',
        href: `/tools/${serial}`,
      }
    }
    case 'place':
      return answerPlace(db, scan.placeId)
    case 'action':
      return { title: SCANNED.actionCard, text: SCANNED.nothingToConfirm, tone: 'off' }
    case 'test':
      return { title: SCANNED.testCode, text: SCANNED.scannerWorks, tone: 'holds' }
    case 'damaged':
      return {
        title: SCANNED.unreadable,
        text: SCANNED.damaged,
        tone: 'off',
      }
    case 'plain':
      return answerPlain(db, scan.text, now)
  }
}

function answerPlace(db: Db, id: string): ScanAnswer {
  const place = getPlace(db, id)
  const unit = place && getUnit(db, place.unit)
  return place && unit
    ? {
        title: place.id,
        text: `${unit.name}, ${place.name}`,
        tone: 'todo',
        kind: 'place',
        href: `/library/store?place=${place.id}`,
      }
    : { title: id, text: SCANNED.unknownPlace, tone: 'off' }
}

function answerPlain(db: Db, text: string, now: string): ScanAnswer {
  const serial = text.toUpperCase()
  const assembly = getAssembly(db, serial)
  if (assembly) {
    const waits = waitsNow(db, assembly)
    const title = `${serial} · T${assembly.t ?? '?'}`
    if (waits === 'change cutter')
      return { title, text: SCANNED.takeApart(assembly.name, assembly.condition), tone: 'off', href: `/tools/${serial}` }
    if (waits === 'correct') return { title, text: SCANNED.correct(assembly.name), tone: 'off', href: `/measure/${serial}` }
    if (waits === 'measure') return { title, text: SCANNED.measure(assembly.name), tone: 'todo', href: `/measure/${serial}` }
    if (waits === 'balance') return { title, text: SCANNED.balance(assembly.name), tone: 'todo', href: `/balance/${serial}` }
    if (waits === 'hand-over') return { title, text: SCANNED.handOver(assembly.name), tone: 'todo', href: `/hand-over/${serial}` }
    if (waits === 'load') return { title, text: SCANNED.load(assembly.name), tone: 'todo', href: `/load?serial=${serial}` }
    return {
      title,
      text: SCANNED.inMachine(assembly.name, assembly.machine ?? '', pocketText(assembly.pocket)),
      tone: 'holds',
      href: `/tools/${serial}`,
    }
  }
  const holder = getHolder(db, serial)
  if (holder) {
    const running = buildOn(db, serial)
    if (running)
      return {
        title: serial,
        text: SCANNED.building(running.t, running.job, running.who),
        tone: 'todo',
        href: `/build?job=${encodeURIComponent(running.job)}&t=${running.t}&serial=${serial}`,
      }
    const next = holder.retired
      ? undefined
      : readToBuild(db, now).find(
          ({ tool }) =>
            tool.standing.type === 'to-build' &&
            holder.component !== null &&
            tool.definition !== null &&
            accepts(tool.definition, 'holder', holder.component),
        )
    if (!next?.tool.definition)
      return {
        title: serial,
        text: holder.retired ? SCANNED.retired : SCANNED.freeHolder,
        tone: holder.retired ? 'off' : 'holds',
        href: `/tools/${serial}`,
      }
    const { t, name } = next.tool.definition
    return {
      title: serial,
      text: SCANNED.buildNext(t, name),
      tone: 'todo',
      href: `/build?job=${encodeURIComponent(next.job.id)}&t=${t}`,
    }
  }
  const job = getJob(db, text)
  if (job)
    return {
      title: job.id,
      kind: 'job',
      text: SCANNED.job(job.name, wantedOf(job).length),
      tone: 'todo',
      href: `/kit/${encodeURIComponent(job.id)}`,
    }
  const part = getComponent(db, text) ?? getComponent(db, serial)
  if (part)
    return { title: part.id, text: part.name, tone: 'todo', kind: 'part', href: `/library/parts/${encodeURIComponent(part.id)}` }
  if (getPlace(db, text)) return answerPlace(db, text)
  return {
    title: text.slice(0, 24),
    text: SCANNED.unknown,
    tone: 'off',
  }
}
