export * from './measure-set'
export * from './figures'
