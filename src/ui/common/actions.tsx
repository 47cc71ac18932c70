'use client'
import Link, { FileLink } from './link'
import { Children, useEffect, useRef, type ComponentProps, type ReactNode } from 'react'
import { useShell } from '../shell/shell-context'

/** The one thing to do next: the biggest thing on the screen; Space, Enter or the action card do it. */
export function BigAction({
  children,
  hint = 'Space',
  onAct,
  disabled = false,
}: {
  readonly children: ReactNode
  readonly hint?: string
  readonly onAct: () => void
  readonly disabled?: boolean
}) {
  const { bigAction } = useShell()
  const act = useRef(onAct)
  useEffect(() => {
    act.current = onAct
  })
  const button = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (disabled) return
    return bigAction(() => {
      const seen = button.current?.checkVisibility() ?? false
      if (seen) act.current()
      return seen
    })
  }, [bigAction, disabled])
  // on a small screen it may lie below the fold: whoever opens the sheet, or makes it smaller, sees it first; a form on the
  // left is read from its top
  useEffect(() => {
    const bringIntoView = () => {
      if (!button.current?.closest('aside')) return
      if (button.current.getBoundingClientRect().bottom > window.innerHeight) button.current.scrollIntoView({ block: 'end' })
    }
    // a keyboard on the screen makes it smaller too: then whoever types sees the field
    const onResize = () => {
      if (!document.activeElement?.matches('input, textarea, select, [contenteditable]')) bringIntoView()
    }
    bringIntoView()
    window.addEventListener('resize', onResize)
    return () => window.removeEventListener('resize', onResize)
  }, [])
  return (
    <button
      ref={button}
      type="button"
      data-testid="big-action"
      className="btn btn-primary btn-block btn-big"
      disabled={disabled}
      onClick={() => onAct()}
    >
      <span className={Children.toArray(children).join('').length > 24 ? 'line-clamp-2 text-[20px]' : 'truncate'}>
        {children}
      </span>
      {!disabled && <kbd className="kbd shrink-0">{hint}</kbd>}
    </button>
  )
}

/** For steps that only a scan may take: pressing it leads to the scan field. */
export function ScanAction({ children }: { readonly children: ReactNode }) {
  return (
    <BigAction hint="scan" onAct={() => document.getElementById('scan-field')?.focus()}>
      {children}
    </BigAction>
  )
}

interface Pressed {
  readonly children: ReactNode
  readonly onAct?: () => void
  readonly disabled?: boolean
  readonly href?: string
  readonly download?: boolean
}

/** What else is possible: smaller than the big action, side by side. */
export function SmallAction({ children, onAct, disabled, href, download }: Pressed) {
  const look = 'btn btn-outline flex-1 px-2 text-[19px]'
  if (href?.startsWith('/api/'))
    return (
      <FileLink className={look} href={href} download={download}>
        {children}
      </FileLink>
    )
  if (href)
    return (
      <Link className={look} href={href}>
        {children}
      </Link>
    )
  return (
    <button type="button" className={look} onClick={onAct} disabled={disabled}>
      {children}
    </button>
  )
}

/** A press inside of a row or under a list: a word in the colour of what can be pressed. */
export function RowAction({
  children,
  onAct,
  className = '',
  ...button
}: Omit<ComponentProps<'button'>, 'onClick'> & { readonly onAct: () => void }) {
  return (
    <button type="button" {...button} className={`btn btn-ghost text-act px-2 ${className}`} onClick={onAct}>
      {children}
    </button>
  )
}

/** A row of choices of which one is taken. */
export function Choices<T extends string>({
  label,
  all,
  taken,
  take,
  disabled = false,
}: {
  readonly label: string
  readonly all: readonly { readonly key: T; readonly name: string }[]
  readonly taken: T | null
  readonly take: (key: T) => void
  readonly disabled?: boolean
}) {
  return (
    <div className="join shrink-0" role="group" aria-label={label}>
      {all.map(({ key, name }) => (
        <button
          key={key}
          type="button"
          className="btn btn-outline join-item px-3"
          aria-pressed={taken === key}
          disabled={disabled}
          onClick={() => take(key)}
        >
          {name}
        </button>
      ))}
    </div>
  )
}

export const SmallActions = ({ children }: { readonly children: ReactNode }) => (
  <div className="mt-2.5 flex gap-2.5">{children}</div>
)
