export * from './measured'
export * from './side-values'
export * from './measure-frame'
export * from './nose'
