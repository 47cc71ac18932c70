/**
 * Property tests draw the same cases on every machine, so that a run can be repeated; `CHANCE=20 npm run test:unit`
 * draws new ones, twenty times as many.
 */
import fc from 'fast-check'

const wanted = Number(process.env.CHANCE ?? 0)
fc.configureGlobal(wanted > 0 ? { numRuns: 100 * wanted } : { seed: 20200229 })
