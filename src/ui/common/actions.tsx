'use client'
import { Children, useEffect, useRef, type ReactNode } from 'react'
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
  // on a small screen it may lie below the fold: whoever opens the sheet, or makes it smaller, sees it first
  useEffect(() => {
    const bringIntoView = () => {
      const box = button.current?.getBoundingClientRect()
      if (box && box.bottom > window.innerHeight) button.current?.scrollIntoView({ block: 'end' })
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
      className="bg-act text-act-ink sticky bottom-0 z-10 flex h-[60px] w-full shrink-0 items-center justify-between gap-3 rounded-[3px] px-5 text-left text-[25px] leading-none font-bold disabled:bg-[var(--color-base-300)] disabled:text-[var(--soft)]"
      disabled={disabled}
      onClick={() => onAct()}
    >
      <span className={Children.toArray(children).join('').length > 24 ? 'line-clamp-2 text-[20px]' : 'truncate'}>
        {children}
      </span>
      {!disabled && <kbd className="key-hint shrink-0">{hint}</kbd>}
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

export function SmallAction({
  children,
  onAct,
  disabled,
  href,
  download,
}: {
  readonly children: ReactNode
  readonly onAct?: () => void
  readonly disabled?: boolean
  readonly href?: string
  readonly download?: boolean
}) {
  const look =
    'flex h-[46px] flex-1 items-center justify-center text-center leading-none rounded-[3px] border-[1.5px] border-ink px-2 text-[19px] font-semibold font-head disabled:border-rule disabled:text-soft'
  if (href)
    return (
      <a className={look} href={href} download={download}>
        {children}
      </a>
    )
  return (
    <button type="button" className={look} onClick={onAct} disabled={disabled}>
      {children}
    </button>
  )
}

export const SmallActions = ({ children }: { readonly children: ReactNode }) => (
  <div className="mt-2.5 flex gap-2.5">{children}</div>
)
