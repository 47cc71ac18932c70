import type { Scope } from '@/core/tool'

/** What a program with a token may, said of the token. */
export const SCOPE_NAMES: Readonly<Record<Scope, string>> = {
  read: 'look and compute',
  'hand over': 'take labels, tags and posts',
  load: 'ask what stands in a machine',
}
