/** A seeded source of chance, so that the same seed gives the same tool tomorrow. */
export interface Random {
  /** Uniform in [0, 1). */
  uniform(): number
  /** Normal with mean 0 and standard deviation 1. */
  normal(): number
}

/** mulberry32, a public-domain 32-bit generator: period 2^32, enough for pictures and trials. */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0
  const uniform = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return {
    uniform,
    // Box and Muller, Ann. Math. Stat. 29 (1958) 610: one of the pair is enough here
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  }
}
