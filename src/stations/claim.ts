/**
 * Working on a tool while a control is asked: whoever begins has claimed the tool and the machine, every question looks at
 * the claim again, and so does the last write. A claim ends by itself, so that a server that died holds nobody up for long.
 */
import { randomUUID } from 'node:crypto'
import { fail, ok, type Result } from '@/core/units'
import { dropClaims, renewClaims, takeClaims, type ClaimedFor } from '@/db/claim/write'
import { inTransaction, storageFault } from '@/db/connection'
import { getPerson } from '@/db/person/read'
import type { Control } from '@/devices/control/port'
import { type Refusal } from './refusals'
import type { Work } from './work'
import { must, write, type Writing } from './write'

/** Longer than a control takes to answer one question. */
const LEASE_MS = 15_000
/** How long somebody waits for whoever is at it, and how often they look. */
const PATIENCE_MS = 4_000
const LOOK_MS = 50

export interface Claim {
  /** Renews it. @throws when somebody else has taken it over */
  hold(): void
  /** The same inside the transaction that ends the work. */
  must(tx: Writing): void
}

class Lost extends Error {}

const tool = (serial: string) => `tool ${serial}`
const machine = (key: string) => `machine ${key}`
export const claimKeys = { tool, machine } as const

interface Asked {
  readonly what: ClaimedFor
  readonly keys: readonly string[]
  /** Whether to wait for somebody who is at it. */
  readonly waits: boolean
}

async function take(work: Work, token: string, { what, keys, waits }: Asked): Promise<Result<null, Refusal>> {
  for (let left = waits ? PATIENCE_MS / LOOK_MS : 0; ; left--) {
    const held = write(work, null, (tx) => takeClaims(tx.db, token, keys, { what, personId: work.person.id }, LEASE_MS))
    if (!held.ok) return held
    if (!held.value) return ok(null)
    const { personId, what: doing } = held.value
    if (left <= 0) return fail({ code: 'CLAIMED', who: getPerson(work.db, personId)?.name ?? personId, doing })
    await new Promise((later) => setTimeout(later, LOOK_MS))
  }
}

/** Does the work when its keys can be claimed, and gives them back whatever comes of it. */
export async function claimed<T>(
  work: Work,
  asked: Asked,
  steps: (claim: Claim) => Promise<Result<T, Refusal>>,
): Promise<Result<T, Refusal>> {
  const token = randomUUID()
  const taken = await take(work, token, asked)
  if (!taken.ok) return taken
  const ours = (tx: Writing['db']) => renewClaims(tx, token, LEASE_MS) === asked.keys.length
  const claim: Claim = {
    hold() {
      try {
        if (!inTransaction(work.db, ours)) throw new Lost()
      } catch (error) {
        // somebody has the database for a moment: the write at the end looks once more
        if (storageFault(error) !== 'BUSY') throw error
      }
    },
    must: (tx) => must(ours(tx.db), { code: 'CLAIM_LOST' }),
  }
  try {
    return await steps(claim)
  } catch (error) {
    if (error instanceof Lost) return fail({ code: 'CLAIM_LOST' })
    throw error
  } finally {
    write(work, null, (tx) => dropClaims(tx.db, token))
  }
}

/** A control that is asked by whoever has the claim, and by nobody else: looked at before each question and after its answer. */
export function controlOf(claim: Claim, control: Control): Control {
  const asked = async <T>(ask: () => Promise<T>): Promise<T> => {
    claim.hold()
    const answer = await ask()
    claim.hold()
    return answer
  }
  return {
    table: (key) => asked(() => control.table(key)),
    tryFile: (key, text) => asked(() => control.tryFile(key, text)),
    run: (key, text) => asked(() => control.run(key, text)),
    state: (key) => asked(() => control.state(key)),
    turnTo: (key, pocket) => asked(() => control.turnTo(key, pocket)),
    assign: (key, pocket, t) => asked(() => control.assign(key, pocket, t)),
  }
}
