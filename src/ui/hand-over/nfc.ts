/** The tablet's own NFC (Web NFC, where the browser has it and the page came over TLS): one record with the bytes of a carrier. */

interface NdefRecord {
  readonly recordType: string
  readonly mediaType?: string
  readonly data?: DataView
}
interface NdefReader {
  scan(options: { readonly signal: AbortSignal }): Promise<void>
  write(
    message: {
      readonly records: readonly { readonly recordType: 'mime'; readonly mediaType: string; readonly data: Uint8Array }[]
    },
    options: { readonly signal: AbortSignal },
  ): Promise<void>
  onreading: ((event: { readonly message: { readonly records: readonly NdefRecord[] } }) => void) | null
}

const OURS = 'application/vnd.boulder.carrier'
/** As long as somebody holds a chip at the tablet. */
const HOLD_MS = 20_000

const made = (): NdefReader | null => {
  const known = (globalThis as { readonly NDEFReader?: new () => NdefReader }).NDEFReader
  return known ? new known() : null
}
export const hasNfc = (): boolean => 'NDEFReader' in globalThis

export const textOf = (bytes: Uint8Array): string => btoa(String.fromCharCode(...bytes))
const bytesOf = (text: string): Uint8Array => Uint8Array.from(atob(text), (c) => c.charCodeAt(0))

/** What is on the chip that is held at the tablet, base64; null where it holds nothing of ours. @throws when no chip comes */
export async function readChip(): Promise<string | null> {
  const reader = made()
  if (!reader) throw new Error('no NFC')
  const signal = AbortSignal.timeout(HOLD_MS)
  return new Promise((found, failed) => {
    signal.addEventListener('abort', () => failed(new Error('no chip')))
    reader.onreading = ({ message }) => {
      const ours = message.records.find((record) => record.mediaType === OURS && record.data)
      const data = ours?.data
      found(data ? textOf(new Uint8Array(data.buffer, data.byteOffset, data.byteLength)) : null)
    }
    reader.scan({ signal }).catch(failed)
  })
}

/** @param bytes base64. @throws when it is not written */
export async function writeChip(bytes: string): Promise<void> {
  const reader = made()
  if (!reader) throw new Error('no NFC')
  const records = [{ recordType: 'mime' as const, mediaType: OURS, data: bytesOf(bytes) }]
  await reader.write({ records }, { signal: AbortSignal.timeout(HOLD_MS) })
}
