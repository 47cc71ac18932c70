export * from './netting'
