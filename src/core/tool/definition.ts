/** What a T number stands for: one copy for everyone, with a version. */
export interface Tolerance {
  readonly nominal: number
  readonly lower: number
  readonly upper: number
}

export interface Definition {
  readonly id: string
  readonly version: number
  readonly t: number
  readonly name: string
  /** Component ids. */
  readonly holder: string
  readonly cutter: string
  /** mm */
  readonly LF: Tolerance
  readonly DC: Tolerance
  readonly RE: Tolerance | null
  readonly radialRunoutMax: number
  readonly axialRunoutMax: number
  readonly machines: readonly string[]
  readonly programRpm: number
  /** Greatest torque of the job, N·m; null when nobody knows it. */
  readonly torqueNm: number | null
}
