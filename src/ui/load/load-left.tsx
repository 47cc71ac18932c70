import { pocketText } from '@/words/pocket'
import { type LoadRule } from '@/core/tool'
import { Checks } from './checks'
import type { LoadStationProps } from './load-props'
import type { LoadDone } from './loaded'
import { Inside, MagazineDrawing } from './magazine'
import { say } from '@/words/screens/load'

/** What is looked at: scans and rules, the tool, and the magazine to scale; while no tool is in hand, the machine's jobs. */
export function LoadLeft({
  title,
  serial,
  label,
  scans,
  findings,
  run,
  reasons,
  onReason,
  done,
  drawing,
  jobs,
  view,
  pocket,
  widestMm,
  why,
  machine,
  choose,
}: LoadStationProps & {
  readonly reasons: Readonly<Partial<Record<LoadRule, string>>>
  readonly onReason: (rule: LoadRule, reason: string) => void
  readonly done: LoadDone | null
  readonly choose: (pocket: number) => void
}) {
  const inside = view && (
    <figure className="mt-1">
      <MagazineDrawing
        view={view}
        chosen={serial ? pocket : null}
        widestMm={widestMm}
        width={650}
        height={view.magazine.form === 'drum' ? 250 : 200}
        onChoose={serial && !run ? choose : undefined}
      />
      <figcaption className="text-soft text-base">
        {serial && why && !run ? <span className="text-ink mr-3">{why}</span> : null}
        {say.takenPalerKnownToThe}
      </figcaption>
      <Inside pockets={view.pockets} decimals={machine?.decimals ?? 3} unit={view.unit} />
    </figure>
  )
  // a drum is narrow enough to stand beside the tool; a chain or a rack takes the whole width below it
  const beside = view?.magazine.form === 'drum'
  return (
    <>
      {title}
      {serial || label ? (
        <div className="grid grid-cols-[1fr_250px] gap-5 max-[900px]:grid-cols-1">
          <div>
            {done ? (
              <p className="text-holds text-lg font-semibold">
                ● {serial} {say.standsIn(done.machine.name, pocketText(done.pocket))}
              </p>
            ) : (
              <Checks
                scans={scans}
                findings={findings}
                overruled={run?.overruled ?? []}
                reasons={reasons}
                onReason={run ? undefined : onReason}
              />
            )}
            {beside && inside}
          </div>
          {drawing}
        </div>
      ) : (
        <>
          <Checks scans={scans} findings={[]} overruled={[]} reasons={{}} />
          {jobs}
        </>
      )}
      {!(beside && (serial || label)) && inside}
    </>
  )
}
