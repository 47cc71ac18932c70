/** What the sheet of a terminal's camera is in, and its big action. */
export interface CameraSheet {
  /** Whether the camera shows a picture, and the server was asked about it. */
  readonly opened: boolean
  readonly calibrated: boolean
  /** Edges that were taken. */
  readonly taken: number
  readonly edges: number
  readonly busy: boolean
}

export type CameraBig =
  | { readonly type: 'opening' }
  | { readonly type: 'measuring' }
  | { readonly type: 'calibrate' }
  | { readonly type: 'take'; readonly edge: number }
  | { readonly type: 'scan' }

/** The edge that is taken next; after the last one it begins anew. */
export const nextEdge = (taken: number, edges: number): number => (taken >= edges ? 1 : taken + 1)

export function cameraBig({ opened, calibrated, taken, edges, busy }: CameraSheet): CameraBig {
  if (!opened) return { type: 'opening' }
  if (busy) return { type: 'measuring' }
  if (!calibrated) return { type: 'calibrate' }
  return taken < edges ? { type: 'take', edge: nextEdge(taken, edges) } : { type: 'scan' }
}
