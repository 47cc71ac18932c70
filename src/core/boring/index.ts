export * from './dial'
export * from './nose'
