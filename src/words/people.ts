import type { HookEvent, Scope } from '@/core/tool'

/** What a program with a token may, said of the token. */
export const SCOPE_NAMES: Readonly<Record<Scope, string>> = {
  read: 'look and compute',
  'hand over': 'take labels, tags and posts',
  load: 'ask what stands in a machine',
}

/** What another program can be told of. */
export const HOOK_EVENT_NAMES: Readonly<Record<HookEvent, string>> = {
  released: 'hand-over released',
  loaded: 'tool loaded',
  returned: 'tool out of its machine',
  refused: 'something refused',
}
