'use client'
import { MASS_UNITS, TEMPERATURE_UNITS, TORQUE_UNITS } from '@/core/units'
import { say } from '@/words/screens/shell'
import { Choices } from '../common/actions'
import { useShell } from './shell-context'

const THEMES = [
  { key: 'granite', name: say.lightGranite },
  { key: 'basalt', name: say.darkBasalt },
] as const
const TEXTS = [
  { key: 'usual', name: say.usualText },
  { key: 'large', name: say.largeText },
] as const

export function ThemeChoice() {
  const { theme, actions } = useShell()
  return <Choices label={say.lookOfTheScreen} all={THEMES} taken={theme} take={(key) => void actions.setTheme(key)} />
}

const named = <T extends string>(all: readonly T[]) => all.map((key) => ({ key, name: key }))

/** Units and size of text at this terminal. */
export function ShowsChoice() {
  const { units, text, actions } = useShell()
  const { setShows } = actions
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-2">
      <Choices label={say.sizeOfText} all={TEXTS} taken={text} take={(key) => void setShows({ text: key })} />
      <Choices
        label={say.unitOfTorque}
        all={named(TORQUE_UNITS)}
        taken={units.torque}
        take={(torque) => void setShows({ torque })}
      />
      <Choices
        label={say.unitOfTemperature}
        all={named(TEMPERATURE_UNITS)}
        taken={units.temperature}
        take={(temperature) => void setShows({ temperature })}
      />
      <Choices label={say.unitOfMass} all={named(MASS_UNITS)} taken={units.mass} take={(mass) => void setShows({ mass })} />
    </div>
  )
}
