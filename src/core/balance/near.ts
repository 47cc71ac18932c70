/** Points of the plane in square cells, so that the nearest to a place is found by looking at a few of them. */
export interface Cells {
  readonly x: Float64Array
  readonly y: Float64Array
  /** Points in the order of their cells: from `start[cell]` to `start[cell + 1]`. */
  readonly order: Int32Array
  readonly start: Int32Array
  readonly x0: number
  readonly y0: number
  readonly size: number
  readonly across: number
  readonly up: number
}

/** @param x, y one point each; at least one */
export function intoCells(x: Float64Array, y: Float64Array): Cells {
  const n = x.length
  let x0 = Infinity
  let x1 = -Infinity
  let y0 = Infinity
  let y1 = -Infinity
  for (let i = 0; i < n; i++) {
    if (x[i] < x0) x0 = x[i]
    if (x[i] > x1) x1 = x[i]
    if (y[i] < y0) y0 = y[i]
    if (y[i] > y1) y1 = y[i]
  }
  // about one point a cell; a line of points has no area, so its length counts
  const size = Math.max(Math.sqrt(((x1 - x0) * (y1 - y0)) / n), (x1 - x0 + (y1 - y0)) / n) || 1
  const across = Math.floor((x1 - x0) / size) + 1
  const up = Math.floor((y1 - y0) / size) + 1
  const cellOf = new Int32Array(n)
  const start = new Int32Array(across * up + 1)
  for (let i = 0; i < n; i++) {
    cellOf[i] = Math.floor((y[i] - y0) / size) * across + Math.floor((x[i] - x0) / size)
    start[cellOf[i] + 1]++
  }
  for (let c = 0; c < across * up; c++) start[c + 1] += start[c]
  const next = start.slice()
  const order = new Int32Array(n)
  for (let i = 0; i < n; i++) order[next[cellOf[i]]++] = i
  return { x, y, order, start, x0, y0, size, across, up }
}

/**
 * Looks at the points nearer to (px, py) than `bound`, cell by cell outward. `see` gets a point's number and its distance squared,
 * and says within what distance it is still worth looking (it may shrink, never grow).
 */
export function eachNear(
  cells: Cells,
  px: number,
  py: number,
  bound: number,
  see: (point: number, squared: number) => number,
): void {
  const { x, y, order, start, x0, y0, size, across, up } = cells
  const cx = Math.floor((px - x0) / size)
  const cy = Math.floor((py - y0) / size)
  let within = bound
  const first = Math.max(0, -cx, cx - across + 1, -cy, cy - up + 1)
  const last = Math.max(Math.abs(cx), Math.abs(cx - across + 1), Math.abs(cy), Math.abs(cy - up + 1))
  for (let ring = first; ring <= last; ring++) {
    // whatever is in this ring is at least this far away
    if ((ring - 1) * size >= within) return
    const bottom = Math.max(0, cy - ring)
    const top = Math.min(up - 1, cy + ring)
    for (let row = bottom; row <= top; row++) {
      // only the first and the last row of a ring are whole; of the others its two ends
      const whole = row === cy - ring || row === cy + ring
      const from = whole ? Math.max(0, cx - ring) : cx - ring
      const to = whole ? Math.min(across - 1, cx + ring) : cx + ring
      for (let column = from; column <= to; column += whole ? 1 : 2 * ring) {
        if (column < 0 || column >= across) continue
        const cell = row * across + column
        for (let k = start[cell]; k < start[cell + 1]; k++) {
          const dx = x[order[k]] - px
          const dy = y[order[k]] - py
          const squared = dx * dx + dy * dy
          if (squared < within * within) within = see(order[k], squared)
        }
      }
    }
  }
}
