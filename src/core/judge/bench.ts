/** What the bench adds to a picture's own uncertainty, for this tool at this moment. */
import { warmExcessMm } from '../clamp'
import type { Heat } from '../tool'
import { USUAL_BENCH, type BenchUncertainty } from './judge'

/** Less than this is lost in the rest, mm. */
const COLD_MM = 1e-4

/**
 * A camera that stands still measures within its picture only: what is not known of its scale counts over the picture, and what
 * is not known of the master it was calibrated on counts whole.
 * @param halfFieldMm from the middle of the picture to its farther border
 */
export const cameraUncertainty = (
  bench: BenchUncertainty,
  {
    scaleSigma,
    masterSigmaMm,
    halfFieldMm,
  }: { readonly scaleSigma: number; readonly masterSigmaMm: number; readonly halfFieldMm: number },
): BenchUncertainty => ({
  ...bench,
  zeroSigmaMm: Math.hypot(bench.zeroSigmaMm, masterSigmaMm, 2 * halfFieldMm * scaleSigma),
})

/**
 * @param at ISO 8601, when the pictures were taken
 * @param guardSigmas the shop's guard band
 */
export function benchFor(heat: Heat | null, at: string, guardSigmas = USUAL_BENCH.guardSigmas): BenchUncertainty {
  const bench = guardSigmas === USUAL_BENCH.guardSigmas ? USUAL_BENCH : { ...USUAL_BENCH, guardSigmas }
  if (!heat) return bench
  const seconds = (Date.parse(at) - Date.parse(heat.endedAt)) / 1000
  const warmMm = warmExcessMm(heat.heatedMm, heat.fromC, heat.ambientC, heat.tauS, seconds)
  return { ...bench, warmMm: warmMm < COLD_MM ? 0 : warmMm }
}
