export * from './crc'
export * from './refuse'
export * from './values'
export * from './saved'
