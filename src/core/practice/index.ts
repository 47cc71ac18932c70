export * from './tries'
