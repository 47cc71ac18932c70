import { fromHere } from '../common/going'
import type { Result } from '@/core/units'
import type { Saved } from '@/stations/measure/contract'
import { say } from '@/words/screens/measure'

interface Problem {
  readonly code?: string
  readonly title?: string
  readonly detail?: string
}

/** What is said of pictures beside themselves. */
export interface About {
  readonly taken: string
  readonly check: number | null
  readonly program: number
  readonly reason: string
  /** The terminal's camera; left out: the bench took them. */
  readonly camera?: string
}

/** The server measures the pictures again and answers what stands in the record now. */
export async function savePictures(
  serial: string,
  scanned: string,
  about: About,
  zip: Uint8Array<ArrayBuffer>,
): Promise<Result<Saved, { readonly code: string; readonly text: string }>> {
  const asked = new URLSearchParams({ scanned, taken: about.taken, program: String(about.program) })
  if (about.check !== null) asked.set('check', String(about.check))
  if (about.camera) asked.set('camera', about.camera)
  if (about.reason) asked.set('reason', about.reason)
  try {
    const response = await fetch(fromHere(`/api/assemblies/${encodeURIComponent(serial)}/measurements?${asked.toString()}`), {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: zip,
    })
    if (response.ok) return { ok: true, value: (await response.json()) as Saved }
    const problem = (await response.json().catch(() => ({}))) as Problem
    return { ok: false, error: { code: problem.code ?? '', text: problem.detail ?? problem.title ?? say.itCouldNotBeSaved } }
  } catch {
    return { ok: false, error: { code: 'OFFLINE', text: say.noAnswerFromTheTool } }
  }
}
