import type { StepLine } from '@/core/load'
import { stepLineText } from '@/words/load'
import { say } from '@/words/screens/load'

/** All steps of a load on one sheet, with the one to do now standing out. */
export function Steps({ steps }: { readonly steps: readonly StepLine[] }) {
  return (
    <ol className="mt-2" aria-label={say.stepsOfThisLoad}>
      {steps.map((line) => (
        <StepRow key={line.step} name={line.step} state={line.state} note={line.watched ? '' : say.noSwitch}>
          {stepLineText(line)}
        </StepRow>
      ))}
    </ol>
  )
}

/** One thing in a row of things to do: done, to be done now, or later. */
export function StepRow({
  name,
  state,
  note,
  children,
}: {
  readonly name: string
  readonly state: StepLine['state']
  readonly note: string
  readonly children: string
}) {
  return (
    <li
      data-step={name}
      data-state={state}
      className={`border-rule grid min-h-[30px] grid-cols-[28px_1fr_auto] items-center border-b text-[18px] ${state === 'now' ? 'bg-[color-mix(in_srgb,var(--color-act)_var(--tint),var(--color-base-100))] font-bold' : ''}`}
    >
      <span className={state === 'done' ? 'text-holds' : state === 'now' ? 'text-act' : 'text-soft'} aria-label={state}>
        {state === 'done' ? '●' : state === 'now' ? '▲' : '○'}
      </span>
      <span className={state === 'later' ? 'text-soft' : ''}>{children}</span>
      <small className="text-soft pr-1 font-normal">{note}</small>
    </li>
  )
}
