export * from './tools-wanted'
export * from './written-for'
