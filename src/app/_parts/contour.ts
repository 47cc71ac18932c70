import type { ContourPiece, ToolProfile } from '@/core/tool'

/** The drawn outline from the nose to the tip as straight pieces. */
export function contourOfProfile(profile: ToolProfile): ContourPiece[] {
  const points = profile.parts.filter((p) => p.of === 'cutter').flatMap((p) => p.points)
  return points.slice(1).flatMap((to, i): ContourPiece[] => {
    const from = points[i]
    return Math.hypot(to[0] - from[0], to[1] - from[1]) < 1e-6 ? [] : [{ type: 'line', from, to }]
  })
}
