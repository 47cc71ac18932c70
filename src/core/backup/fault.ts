/** Why a file is not taken for a backup. */
export type BackupFault =
  /** Not an archive, or none of ours. */
  | { readonly code: 'NOT_A_BACKUP' }
  /** Of a later program. */
  | { readonly code: 'LATER_FORMAT'; readonly version: number }
  /** It ends before its end. */
  | { readonly code: 'CUT_OFF' }
  /** What is in it is not what was put in. */
  | { readonly code: 'CHANGED' }
  /** A name that no backup has. */
  | { readonly code: 'FOREIGN_FILE'; readonly name: string }

/** Why a backup is not put in place. */
export type RestoreFault =
  | BackupFault
  /** Somebody has the data folder open. */
  | { readonly code: 'IN_USE' }
  /** The database in it is not as it was when the backup was made. */
  | { readonly code: 'OTHER_DATABASE' }
  /** It went through a migration that this program does not know. */
  | { readonly code: 'LATER_SCHEMA'; readonly migration: string }
