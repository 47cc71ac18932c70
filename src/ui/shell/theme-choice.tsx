'use client'
import { useShell } from './shell-context'
import { say } from '@/words/screens/shell'

const THEMES = [
  { key: 'granite', name: say.lightGranite },
  { key: 'basalt', name: say.darkBasalt },
] as const

export function ThemeChoice() {
  const { theme, actions } = useShell()
  return (
    <div className="flex gap-3" role="group" aria-label={say.lookOfTheScreen}>
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
