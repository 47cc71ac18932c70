/** An 8-bit grey picture, row by row from the top left; the tool is dark on a bright field. */
export interface Frame {
  readonly width: number
  readonly height: number
  readonly data: Uint8Array
}

/** A place in the picture with pixel edges as whole numbers: top-left corner 0,0; u to the right, v down. */
export interface Pixel {
  readonly u: number
  readonly v: number
}
