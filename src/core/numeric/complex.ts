/** A number of the plane: a direction with a size. Two of them are an unbalance in a plane, or a sensor's answer to one. */
export interface Complex {
  readonly re: number
  readonly im: number
}

export const ZERO: Complex = { re: 0, im: 0 }
export const polar = (size: number, rad: number): Complex => ({ re: size * Math.cos(rad), im: size * Math.sin(rad) })
export const absOf = (a: Complex): number => Math.hypot(a.re, a.im)
/** Radians, in (−π, π]; 0 for zero. */
export const argOf = (a: Complex): number => Math.atan2(a.im, a.re)
export const plus = (a: Complex, b: Complex): Complex => ({ re: a.re + b.re, im: a.im + b.im })
export const minus = (a: Complex, b: Complex): Complex => ({ re: a.re - b.re, im: a.im - b.im })
export const times = (a: Complex, b: Complex): Complex => ({ re: a.re * b.re - a.im * b.im, im: a.re * b.im + a.im * b.re })
export const scaled = (a: Complex, by: number): Complex => ({ re: a.re * by, im: a.im * by })
export const sumOf = (all: readonly Complex[]): Complex => all.reduce(plus, ZERO)
/** @returns a / b; not finite where b is zero */
export function over(a: Complex, b: Complex): Complex {
  const d = b.re * b.re + b.im * b.im
  return { re: (a.re * b.re + a.im * b.im) / d, im: (a.im * b.re - a.re * b.im) / d }
}
