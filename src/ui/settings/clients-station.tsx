'use client'
import { useState } from 'react'
import { SCOPES, type Scope } from '@/core/tool'
import type { HookView } from '@/stations/outside/contract'
import type { ClientView } from '@/stations/people/contract'
import { SCOPE_NAMES } from '@/words/people'
import { say } from '@/words/screens/settings'
import { RowAction, SmallAction, SmallActions } from '../common/actions'
import { CheckField, TextField } from '../common/form'
import { Problem, Sheet, Title } from '../common/sheet'
import { SETTINGS_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { formatWhen } from '../format/due'
import { useShell } from '../shell/shell-context'
import type { ClientActs, HookActs } from './acts'
import { Hooks, NewHook } from './hooks'
import { ShownOnce } from './shown-once'

/** Programs of other makers that ask by the API, and their tokens. */
export function ClientsStation({
  clients,
  act,
  hooks,
  hookAct,
}: {
  readonly clients: readonly ClientView[]
  readonly act: ClientActs
  readonly hooks: readonly HookView[]
  readonly hookAct: HookActs
}) {
  const rules = useShell().person?.role === 'administrator'
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={SETTINGS_TABS} label={say.settings} />
          <Title lead={say.clients}>{say.clientsAbout}</Title>
          {clients.length === 0 ? (
            <p className="text-soft text-lg">{say.noClients}</p>
          ) : (
            <ul className="border-rule max-w-[760px] border-t">
              {clients.map((client) => (
                <ClientLine key={client.id} client={client} end={rules ? act.end : null} />
              ))}
            </ul>
          )}
          <Hooks hooks={hooks} act={rules ? hookAct : null} />
        </>
      }
      right={
        rules ? (
          <>
            <NewClient make={act.make} />
            <NewHook make={hookAct.make} />
          </>
        ) : (
          <p className="text-soft">{say.askAnAdministrator}</p>
        )
      }
    />
  )
}

function ClientLine({ client, end }: { readonly client: ClientView; readonly end: ClientActs['end'] | null }) {
  const { id, name, scopes, usedAt, ended } = client
  const { busy, problem, run } = useAct()
  const used = usedAt === null ? say.neverUsed : say.lastUsed(formatWhen(usedAt))
  return (
    <li className={`border-rule border-b py-2 ${ended ? 'text-soft' : ''}`}>
      <div className="flex min-h-11 items-center gap-4">
        <div className="min-w-0 flex-1">
          <b className="font-head block truncate text-[20px]" title={name}>
            {name}
          </b>
          <span className="text-soft text-base">
            {scopes.map((scope) => SCOPE_NAMES[scope]).join(' · ')} · {ended ? say.tokenEnded : used}
          </span>
        </div>
        {end && !ended && (
          <RowAction
            aria-label={say.endTokenOf(name)}
            disabled={busy}
            onAct={() => void run(() => end({ id }), undefined, say.tokenEndedOf(name))}
          >
            {say.endToken}
          </RowAction>
        )}
      </div>
      <Problem lead={say.notSaved} text={problem} />
    </li>
  )
}

function NewClient({ make }: Pick<ClientActs, 'make'>) {
  const { busy, problem, run } = useAct()
  const [name, setName] = useState('')
  const [scopes, setScopes] = useState<readonly Scope[]>(['read'])
  const [made, setMade] = useState<{ readonly name: string; readonly token: string } | null>(null)
  const send = () =>
    void run(
      () => make({ name, scopes: [...scopes] }),
      ({ token }) => {
        setMade({ name, token })
        setName('')
        setScopes(['read'])
      },
    )
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault()
        send()
      }}
    >
      <h2 className="text-2xl font-bold">{say.newToken}</h2>
      <TextField
        label={say.whichProgram}
        autoComplete="off"
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <fieldset>
        <legend className="text-base font-semibold">{say.itMay}</legend>
        {SCOPES.map((scope) => (
          <CheckField
            key={scope}
            label={SCOPE_NAMES[scope]}
            checked={scopes.includes(scope)}
            onChange={(event) =>
              setScopes((now) => (event.target.checked ? [...now, scope] : now.filter((other) => other !== scope)))
            }
          />
        ))}
      </fieldset>
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy || name.trim() === ''} onAct={send}>
          {say.makeToken}
        </SmallAction>
      </SmallActions>
      {made && <ShownOnce title={say.tokenOf(made.name)} secret={made.token} about={say.copyTokenNow} />}
    </form>
  )
}
