export * from './gaussian'
export * from './linear'
export * from './random'
export * from './robust'
