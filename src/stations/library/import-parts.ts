import { PROPERTY_NAMES } from '@/words/properties'
import type { Heavy, PartsAsked } from '@/codecs/heavy'
import type { Component } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { readCouplings } from '@/db/coupling/read'
import { listComponentIds } from '@/db/library/read'
import type { Refusal } from '../refusals'
import type { ImportPreview } from './contract'

async function read(db: Db, heavy: Heavy, asked: PartsAsked) {
  const done = await heavy.parts(asked, listComponentIds(db), PROPERTY_NAMES, readCouplings(db))
  if (!done.ok) return done
  return done.value.ok ? done.value : fail({ code: 'BAD_FILE' as const, line: null, column: null, fault: done.value.error })
}

/** What an import would do; nothing is stored. */
export async function previewParts(db: Db, heavy: Heavy, asked: PartsAsked): Promise<Result<ImportPreview, Refusal>> {
  const done = await read(db, heavy, asked)
  if (!done.ok) return done
  const { columns, mapping, rows, sample, parts } = done.value
  const bad = parts.ok ? 0 : new Set(parts.error.map((f) => f.line)).size
  return ok({
    columns,
    mapping,
    sample,
    rows,
    good: parts.ok ? parts.value.length : Math.max(0, rows - bad),
    faults: parts.ok ? [] : parts.error,
  })
}

/** The parts of a CSV file, when there is no fault in it. */
export async function readPartsFile(db: Db, heavy: Heavy, asked: PartsAsked): Promise<Result<Component[], Refusal>> {
  const done = await read(db, heavy, asked)
  if (!done.ok) return done
  if (done.value.parts.ok) return done.value.parts
  const [{ line, said }] = done.value.parts.error
  return fail({ code: 'BAD_FILE', line, column: null, fault: said })
}
