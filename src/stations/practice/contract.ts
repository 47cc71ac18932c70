import type { PracticeKey } from '@/core/clamp'

export interface PracticeRefusals {
  OUT_OF_RANGE: { readonly key: PracticeKey; readonly min: number; readonly max: number; readonly unit: string }
}
