'use client'
import { useState } from 'react'
import { HOOK_EVENTS, type HookEvent } from '@/core/tool'
import type { HookView } from '@/stations/outside/contract'
import { HOOK_EVENT_NAMES } from '@/words/people'
import { say } from '@/words/screens/settings'
import { RowAction, SmallAction, SmallActions } from '../common/actions'
import { CheckField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { formatWhen } from '../format/due'
import type { HookActs } from './acts'
import { ShownOnce } from './shown-once'

/** Programs that are told of what happens, and whether they took it. @param act null: whoever looks may not change them */
export function Hooks({ hooks, act }: { readonly hooks: readonly HookView[]; readonly act: HookActs | null }) {
  return (
    <section className="mt-7">
      <h2 className="text-2xl font-bold">{say.hooks}</h2>
      <p className="text-soft text-lg">{hooks.length === 0 ? say.noHooks : say.hooksAbout}</p>
      <ul className="border-rule mt-2 max-w-[760px] border-t empty:border-0">
        {hooks.map((hook) => (
          <HookLine key={hook.id} hook={hook} act={act} />
        ))}
      </ul>
    </section>
  )
}

function lastOf({ last }: HookView): string {
  if (!last) return say.nothingTold
  const event = HOOK_EVENT_NAMES[last.event]
  if (last.takenAt !== null) return say.lastTold(event, formatWhen(last.takenAt))
  if (last.problem !== null) return say.notTaken(event, last.problem, last.nextAt && formatWhen(last.nextAt))
  return say.waitsToBeTold(event)
}

function HookLine({ hook, act }: { readonly hook: HookView; readonly act: HookActs | null }) {
  const { id, name, url, events, ended, givenUp } = hook
  const { busy, problem, run } = useAct()
  const failed = hook.last?.takenAt === null && hook.last.problem !== null
  return (
    <li className={`border-rule border-b py-2 ${ended ? 'text-soft' : ''}`}>
      <div className="flex min-h-11 items-center gap-4">
        <div className="min-w-0 flex-1">
          <b className="font-head block truncate text-[20px]" title={`${name}, ${url}`}>
            {name} <span className="text-soft text-base font-normal">{url}</span>
          </b>
          <span className="text-soft block text-base">{events.map((event) => HOOK_EVENT_NAMES[event]).join(' · ')}</span>
          <span className={`text-base ${failed && !ended ? 'text-off' : 'text-soft'}`}>
            {ended ? say.hookEnded : lastOf(hook)}
            {givenUp > 0 && !ended && ` ${say.givenUp(givenUp)}`}
          </span>
        </div>
        {act && !ended && givenUp > 0 && (
          <RowAction disabled={busy} onAct={() => void run(() => act.again({ id }), undefined, say.toldAgain(givenUp))}>
            {say.tellAgain}
          </RowAction>
        )}
        {act && !ended && (
          <RowAction
            aria-label={say.endHookOf(name)}
            disabled={busy}
            onAct={() => void run(() => act.end({ id }), undefined, say.hookEndedOf(name))}
          >
            {say.endHook}
          </RowAction>
        )}
      </div>
      <Problem lead={say.notSaved} text={problem} />
    </li>
  )
}

const NOTHING = { name: '', url: '' }

export function NewHook({ make }: Pick<HookActs, 'make'>) {
  const { busy, problem, run } = useAct()
  const [given, setGiven] = useState(NOTHING)
  const [events, setEvents] = useState<readonly HookEvent[]>(HOOK_EVENTS)
  const [made, setMade] = useState<{ readonly name: string; readonly secret: string } | null>(null)
  const send = () =>
    void run(
      () => make({ ...given, events: [...events] }),
      ({ secret }) => {
        setMade({ name: given.name, secret })
        setGiven(NOTHING)
        setEvents(HOOK_EVENTS)
      },
    )
  return (
    <form
      className="border-rule mt-6 flex flex-col gap-1.5 border-t pt-4"
      onSubmit={(event) => {
        event.preventDefault()
        send()
      }}
    >
      <h2 className="text-2xl font-bold">{say.newHook}</h2>
      <TextField
        label={say.programToTell}
        autoComplete="off"
        maxLength={60}
        value={given.name}
        onChange={(event) => setGiven((now) => ({ ...now, name: event.target.value }))}
      />
      <TextField
        label={say.hookAddress}
        autoComplete="off"
        inputMode="url"
        maxLength={500}
        value={given.url}
        onChange={(event) => setGiven((now) => ({ ...now, url: event.target.value }))}
      />
      <fieldset>
        <legend className="text-base font-semibold">{say.itIsTold}</legend>
        {HOOK_EVENTS.map((kind) => (
          <CheckField
            key={kind}
            label={HOOK_EVENT_NAMES[kind]}
            checked={events.includes(kind)}
            onChange={(event) =>
              setEvents((now) => (event.target.checked ? [...now, kind] : now.filter((other) => other !== kind)))
            }
          />
        ))}
      </fieldset>
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy || given.name.trim() === '' || given.url.trim() === ''} onAct={send}>
          {say.makeHook}
        </SmallAction>
      </SmallActions>
      {made && <ShownOnce title={say.secretOf(made.name)} secret={made.secret} about={say.copySecretNow} />}
    </form>
  )
}
