/** Torque, temperature and mass inside of sentences, with their unit, as the reader has them. */
import { formatQuantity, toRead, type Units } from '@/core/units'

/** A torque to set a wrench to. */
export const torqueText = (nm: number, units: Units): string => formatQuantity(nm, 'torque', units, 1)
/** A torque that something holds, or needs. */
export const gripText = (nm: number, units: Units): string => formatQuantity(nm, 'torque', units, 0)
export const temperatureText = (celsius: number, units: Units): string => formatQuantity(celsius, 'temperature', units, 0)
export const massText = (kg: number, units: Units): string =>
  `${toRead(kg, 'mass', units).toFixed(units.mass === 'kg' ? 2 : 1)} ${units.mass}`
/** A limit or a sum, without zeros at its end. */
export const massLimitText = (kg: number, units: Units): string => formatQuantity(kg, 'mass', units, 1)
