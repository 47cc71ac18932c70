import type { StepLine } from '@/core/load'

/** All steps of a load on one sheet, with the one to do now standing out. */
export function Steps({ steps }: { readonly steps: readonly StepLine[] }) {
  return (
    <ol className="mt-2" aria-label="Steps of this load">
      {steps.map(({ step, state, text, watched }) => (
        <li
          key={step}
          data-step={step}
          data-state={state}
          className={`border-rule grid min-h-[30px] grid-cols-[28px_1fr_auto] items-center border-b text-[18px] ${state === 'now' ? 'bg-[color-mix(in_srgb,var(--color-act)_var(--tint),var(--color-base-100))] font-bold' : ''}`}
        >
          <span className={state === 'done' ? 'text-holds' : state === 'now' ? 'text-act' : 'text-soft'} aria-label={state}>
            {state === 'done' ? '●' : state === 'now' ? '▲' : '○'}
          </span>
          <span className={state === 'later' ? 'text-soft' : ''}>{text}</span>
          <small className="text-soft pr-1 font-normal">{watched ? '' : 'not watched'}</small>
        </li>
      ))}
    </ol>
  )
}
