import type { TagRecord } from '@/codecs/tag'
import type { Handover } from '@/core/handover'
import { roundTo } from '@/core/units'
import { getAssemblyById } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getComponent, getDefinition } from '@/db/library/read'
import { toolFacts } from './tool-facts'

/** Decimals of lengths on a tag: a tenth of what any control keeps. */
const TAG_DECIMALS = 4

/** What a tag says of a hand-over: the frozen values, and what the tool is made of. What is not known is left out. */
export function tagRecordOf(db: Db, handover: Handover): TagRecord {
  const { values } = handover
  const assembly = getAssemblyById(db, handover.assemblyId)
  const definition = assembly?.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  const facts = values.facts ?? (assembly ? toolFacts(db, assembly, definition ?? null, null) : {})
  const bom = (assembly?.parts ?? []).filter((part) => getComponent(db, part.component) !== null)
  const mm = (value: number) => roundTo(value, TAG_DECIMALS)
  return {
    id: values.serial,
    t: values.t,
    iss: values.issue,
    lf: mm(values.lengthMm),
    x: mm(values.radiusMm),
    re: values.cornerRadiusMm === null ? undefined : mm(values.cornerRadiusMm),
    m: values.machine,
    name: assembly?.name,
    pot: values.pocket ?? undefined,
    n: definition?.edges,
    q: values.tip,
    taper: assembly?.coupling,
    wt: facts.massKg,
    rpmx: facts.mostRpm,
    g: values.balance ? roundTo(values.balance.grade, 2) : undefined,
    grpm: values.balance ? Math.round(values.balance.rpm) : undefined,
    lifeUsed: assembly?.lifeUsedMin,
    lifeMax: definition?.lifeMin ?? undefined,
    at: values.measuredAt,
    bom: bom.length ? bom.flatMap((part) => Array<string>(part.count).fill(part.component)) : undefined,
  }
}
