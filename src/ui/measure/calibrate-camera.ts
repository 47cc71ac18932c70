import { fromHere } from '../common/going'
import type { Calibration } from '@/core/outline'
import type { Result } from '@/core/units'
import { say } from '@/words/screens/measure'

export type CameraPlace = Calibration & { readonly checkId: number }

/** The server finds in one picture of the master where the camera looks. */
export async function calibrateCamera(
  asked: { readonly camera: string; readonly coupling: string; readonly scanned: string },
  zip: Uint8Array<ArrayBuffer>,
): Promise<Result<CameraPlace, string>> {
  try {
    const response = await fetch(fromHere(`/api/bench/cameras?${new URLSearchParams(asked).toString()}`), {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: zip,
    })
    if (response.ok) return { ok: true, value: (await response.json()) as CameraPlace }
    const problem = (await response.json().catch(() => ({}))) as { readonly title?: string; readonly detail?: string }
    return { ok: false, error: problem.detail ?? problem.title ?? say.itCouldNotBeSaved }
  } catch {
    return { ok: false, error: say.noAnswerFromTheTool }
  }
}
