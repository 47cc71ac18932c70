/** CRC-16/CCITT-FALSE: polynomial 0x1021, start 0xFFFF, no reflection; `123456789` gives 29B1. */
export function crc16(bytes: Iterable<number>): number {
  let crc = 0xffff
  for (const byte of bytes) {
    crc ^= byte << 8
    for (let bit = 0; bit < 8; bit++) crc = crc & 0x8000 ? ((crc << 1) ^ 0x1021) & 0xffff : (crc << 1) & 0xffff
  }
  return crc
}

/** Four hex digits, upper case, of an ASCII text. */
export const crc16Text = (text: string): string =>
  crc16(Array.from(text, (c) => c.charCodeAt(0) & 0xff))
    .toString(16)
    .toUpperCase()
    .padStart(4, '0')

/** CRC-32 as of IEEE 802.3: polynomial 0x04C11DB7 reflected, start and final XOR all ones; `123456789` gives CBF43926. */
export function crc32(bytes: Iterable<number>): number {
  let crc = 0xffffffff
  for (const byte of bytes) {
    crc ^= byte
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1
  }
  return (crc ^ 0xffffffff) >>> 0
}
