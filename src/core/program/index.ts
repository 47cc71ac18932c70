export * from './tools-wanted'
