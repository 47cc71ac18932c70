'use client'
import { useShell } from './shell-context'

const THEMES = [
  { key: 'granite', name: 'Light (Granite)' },
  { key: 'basalt', name: 'Dark (Basalt)' },
] as const

export function ThemeChoice() {
  const { theme, actions } = useShell()
  return (
    <div className="flex gap-3" role="group" aria-label="Look of the screen">
      {THEMES.map(({ key, name }) => (
        <button
          key={key}
          type="button"
          aria-pressed={theme === key}
          className={`border-ink h-12 rounded-[3px] border-[1.5px] px-5 text-lg font-semibold ${theme === key ? 'bg-ink text-paper' : ''}`}
          onClick={() => void actions.setTheme(key)}
        >
          {name}
        </button>
      ))}
    </div>
  )
}
