import type { Ask } from '@/stations/contract'
import type * as outside from '@/stations/outside/contract'
import type * as people from '@/stations/people/contract'

export interface PeopleActs {
  readonly shop: Ask<typeof people.putShop>
  readonly put: Ask<typeof people.putPerson>
  readonly pin: Ask<typeof people.setPin>
  readonly rule: Ask<typeof people.setSignIn>
  readonly end: Ask<typeof people.endSessions>
}

export interface ClientActs {
  readonly make: Ask<typeof people.makeClient>
  readonly end: Ask<typeof people.endClient>
}

export interface HookActs {
  readonly make: Ask<typeof outside.makeHook>
  readonly end: Ask<typeof outside.endHook>
  readonly again: Ask<typeof outside.tellAgain>
}
