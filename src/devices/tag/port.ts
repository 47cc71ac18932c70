/** A reader and writer for the data carriers in holders: whatever carrier lies before its antenna, block by block. */
import type { BlockWrite } from '@/core/handover'
import type { Result } from '@/core/units'

export type TagDeviceError =
  /** No carrier lies before the antenna. */
  | { readonly code: 'NO_TAG' }
  /** It was there and is gone: what was written before it went stays written. */
  | { readonly code: 'LOST' }
  /** The shop has no reader. */
  | { readonly code: 'NOT_CONNECTED' }

export interface TagStation {
  /** All bytes of the carrier. */
  read(): Promise<Result<Uint8Array, TagDeviceError>>
  /** Writes one block of four bytes; resolves when it is on the carrier. */
  write(block: BlockWrite): Promise<Result<null, TagDeviceError>>
}
