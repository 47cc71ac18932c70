export * from './sweep'
