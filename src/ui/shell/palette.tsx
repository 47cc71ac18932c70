'use client'
import { useQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { Search } from 'lucide-react'
import { usePage } from '../common/going'
import { useEffect, useRef, useState } from 'react'
import type { Ask } from '@/stations/contract'
import type { findAnything, Found, FoundKind } from '@/stations/find/contract'
import { say } from '@/words/screens/shell'
import { HANDOVER_TABS, KIT_TABS, LIBRARY_TABS, LOAD_TABS, MEASURE_TABS, SETTINGS_TABS } from '../common/sub-nav'
import { OTHERS, STATIONS, type NavItem } from './places'
import { useShell } from './shell-context'

const KINDS: readonly (readonly [FoundKind, string])[] = [
  ['tool', say.findTools],
  ['job', say.findJobs],
  ['machine', say.findMachines],
  ['definition', say.findDefinitions],
  ['part', say.findParts],
  ['holder', say.findHolders],
]

/** Every page that stands in the frame or in a row of tabs, under its station's name. */
const PAGES: readonly NavItem[] = [
  ...STATIONS,
  ...OTHERS,
  ...(
    [
      ['/kit', KIT_TABS],
      ['/measure', MEASURE_TABS],
      ['/hand-over', HANDOVER_TABS],
      ['/load', LOAD_TABS],
      ['/library', LIBRARY_TABS],
      ['/settings', SETTINGS_TABS],
    ] as const
  ).flatMap(([station, tabs]) =>
    tabs
      .filter(({ href }) => href !== station)
      .map(({ href, name }) => ({
        key: href,
        name: `${[...STATIONS, ...OTHERS].find((s) => s.href === station)?.name}: ${name}`,
        href,
      })),
  ),
]

const MOST_PAGES = 6

const has = (words: string) => (text: string) =>
  words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word))

/** What has these letters. What was found for fewer of them stands until the answer is there: only what has all can be opened. */
function useFound(find: Ask<typeof findAnything>, asked: string) {
  const {
    data: found = [],
    isFetching,
    isPlaceholderData,
  } = useQuery({
    queryKey: ['find', asked],
    queryFn: async (): Promise<readonly Found[]> => {
      const answer = await find({ words: asked })
      return answer.ok ? answer.value : []
    },
    enabled: asked.length > 1,
    placeholderData: (before) => before,
  })
  const fitting = isPlaceholderData ? found.filter(({ id, name }) => has(asked)(`${id} ${name}`)) : found
  return { fitting, isFetching }
}

/** Ctrl K, or a press on the glass: any tool, part, job, holder, machine or page by a few letters of it. */
export function Palette({ find }: { readonly find: Ask<typeof findAnything> }) {
  const { go, scans } = useShell()
  const path = usePage()
  const dialog = useRef<HTMLDialogElement>(null)
  const [words, setWords] = useState('')
  const asked = words.trim()
  const { fitting, isFetching } = useFound(find, asked)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return
      event.preventDefault()
      if (dialog.current?.open) dialog.current.close()
      else dialog.current?.showModal()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  // a scan, or whatever else led to another page, was not meant for it
  useEffect(() => dialog.current?.close(), [path, scans])
  const open = (href: string) => {
    dialog.current?.close()
    go(href)
  }
  const pages = PAGES.filter(({ name }) => has(asked)(name)).slice(0, asked ? MOST_PAGES : PAGES.length)
  const kinds = asked.length > 1 ? KINDS : []
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-square text-soft shrink-0"
        aria-label={say.findAnything}
        title={say.findKey}
        onClick={() => dialog.current?.showModal()}
      >
        <Search size={22} aria-hidden="true" />
      </button>
      <dialog
        ref={dialog}
        className="modal"
        aria-label={say.findAnything}
        onClose={() => setWords('')}
        onClick={(event) => event.target === dialog.current && dialog.current.close()}
      >
        <div className="modal-box p-0">
          <Command shouldFilter={false} label={say.findAnything}>
            <Command.Input
              className="input h-14 border-0 border-b text-xl outline-none!"
              autoFocus
              value={words}
              onValueChange={setWords}
              placeholder={say.findPlaceholder}
              maxLength={80}
            />
            <Command.List className="h-[420px] overflow-auto p-2">
              <Command.Empty className="text-soft p-3 text-lg">{isFetching ? say.lookingUp : say.nothingFound}</Command.Empty>
              {kinds.map(([kind, name]) => (
                <Group
                  key={kind}
                  name={name}
                  rows={fitting.filter((f) => f.kind === kind).map(({ id, name, href }) => ({ key: href, id, name, href }))}
                  open={open}
                />
              ))}
              <Group name={say.pages} rows={pages} open={open} />
            </Command.List>
          </Command>
        </div>
      </dialog>
    </>
  )
}

function Group({
  name,
  rows,
  open,
}: {
  readonly name: string
  readonly rows: readonly (NavItem & { readonly id?: string })[]
  readonly open: (href: string) => void
}) {
  if (rows.length === 0) return null
  return (
    <Command.Group heading={name} className="find-group">
      {rows.map(({ key, id, name, href }) => (
        <Command.Item key={`${key} ${id ?? ''}`} value={`${href} ${id ?? ''}`} onSelect={() => open(href)}>
          {id && <b className="figures">{id}</b>} <span className="truncate">{name}</span>
        </Command.Item>
      ))}
    </Command.Group>
  )
}
