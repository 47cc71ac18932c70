export * from './describe'
export * from './distributions'
export * from './capability'
export * from './gauge-rr'
