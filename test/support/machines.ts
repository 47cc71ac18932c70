import type { HandoverValues } from '@/core/handover'
import type { Machine } from '@/core/tool'

/** A mill in mm with radii in its registers, as the hand-over tests need it. */
export const HERON: Machine = {
  key: 'HERON',
  name: 'Heron',
  about: '',
  kind: 'mill',
  unit: 'mm',
  decimals: 3,
  coupling: 'HSK-A63',
  greatestRpm: 24000,
  sizeRegister: 'radius',
  lengthMm: { min: 0, max: 400 },
  radiusMm: { min: 0, max: 100 },
  registers: { min: 1, max: 200 },
  pockets: 60,
  labelCode: 'datamatrix',
  post: 'word-address-mill',
  studForms: [],
  greatestKg: null,
  version: 1,
  route: 'measure, then balance',
}

/** The figures of one tool as they are handed over. */
export const VALUES: HandoverValues = {
  serial: 'BX00142',
  issue: 7,
  t: 12,
  machine: 'HERON',
  unit: 'mm',
  lengthMm: 152.314,
  radiusMm: 9.9987,
  cornerRadiusMm: 1.4981,
  pocket: null,
  measuredAt: '2026-11-25T10:42:00.000Z',
}
