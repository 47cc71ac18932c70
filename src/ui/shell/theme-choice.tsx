'use client'
import { Choices } from '../common/actions'
import { useShell } from './shell-context'
import { say } from '@/words/screens/shell'

const THEMES = [
  { key: 'granite', name: say.lightGranite },
  { key: 'basalt', name: say.darkBasalt },
] as const

export function ThemeChoice() {
  const { theme, actions } = useShell()
  return <Choices label={say.lookOfTheScreen} all={THEMES} taken={theme} take={(key) => void actions.setTheme(key)} />
}
