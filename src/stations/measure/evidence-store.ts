/** Keeps the pictures; handed in, so that a verb does not know the file system. */
export interface EvidenceStore {
  /** @returns where it was put, relative to the evidence folder */
  put(serial: string, at: string, zip: Uint8Array): string
  drop(place: string): void
}
