export * from './features'
