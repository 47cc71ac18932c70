'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useState, type ReactNode } from 'react'
import { readScan } from '@/codecs/label-text'
import type { CheckRow, RegisterName } from '@/core/handover'
import { isClear, stepNow, type LoadFinding, type LoadRun, type StepLine } from '@/core/load'
import { pocketText, SPINDLE, type LoadRule } from '@/core/tool'
import type { Result } from '@/core/units'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { FIELD } from '../common/form'
import { Cautions, Problem, Say, Sheet } from '../common/sheet'
import { useAct } from '../common/use-act'
import { CheckTable } from '../hand-over/check-table'
import { useScans, type ScanSaid } from '../shell/shell-context'
import { Checks, type Line } from './checks'
import { Inside, MagazineDrawing, type MagazineView } from './magazine'
import { Steps } from './steps'
import { TypedFigures, type Figure } from './typed-figures'

type Done<T> = Promise<Result<T, { text: string }>>
type HandAct = 'open' | 'shut' | 'put' | 'spindle put' | 'spindle take' | 'take' | 'call back' | 'manual' | 'automatic'

export interface LoadStationProps {
  readonly title: ReactNode
  readonly drawing: ReactNode
  /** What stands on the left while no tool is in hand. */
  readonly jobs: ReactNode
  readonly figures: ReactNode
  /** For a terminal without a scanner at hand: the machine may be tapped. */
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly machine: { readonly key: string; readonly name: string; readonly decimals: number; readonly typed: boolean } | null
  readonly serial: string | null
  readonly label: string | null
  readonly scans: readonly Line[]
  readonly findings: readonly LoadFinding[]
  readonly run: LoadRun | null
  readonly runBy: string | null
  readonly steps: readonly StepLine[]
  readonly pocket: number | null
  readonly why: string | null
  readonly view: MagazineView | null
  readonly widestMm: number | null
  /** Figures to type, where the control takes no files. */
  readonly typed: readonly Figure[]
  /** A stand-in has no hands of its own. */
  readonly standIn: boolean
  readonly silence: string | null
  /** Where others went on in this machine and were left. */
  readonly underWay: readonly { readonly serial: string; readonly t: number; readonly pocket: number }[]
  readonly begin: (given: {
    machine: string
    serial: string
    label?: string
    pocket?: number
    reasons: { rule: LoadRule; reason: string }[]
  }) => Done<{ pocket: number }>
  readonly turn: (given: { serial: string }) => Done<null>
  readonly tick: (given: { serial: string; step: StepLine['step'] }) => Done<null>
  readonly typeFigure: (given: { serial: string; register: RegisterName; value: number }) => Done<null>
  readonly load: (given: { serial: string }) => Done<{ pocket: number; rows: readonly CheckRow[] }>
  readonly drop: (given: { serial: string; reason: string }) => Done<null>
  readonly hand: (given: { machine: string; act: HandAct }) => Done<null>
}

const CAUTIONS = [
  'Never reach in while the magazine can turn. Edges capped, heavy tools by the lift.',
  'Afterwards: first approach slowly, single block, distance to go watched.',
]
const BY_HAND =
  'Hold it from below by its holder. After the change, cycle start may drive to the work position. What was in the spindle must be put away first; call a tool afterwards and watch the old one go home.'

const POLL_MS = 1500

/** Collects the scans, shows every rule, and goes through the steps of a load on one sheet. */
export function LoadStation(props: LoadStationProps) {
  const { machine, serial, label, scans, findings, run, steps, pocket, view, silence } = props
  const router = useRouter()
  const { busy, problem, setProblem, run: act } = useAct()
  const [reasons, setReasons] = useState<Partial<Record<LoadRule, string>>>({})
  const [done, setDone] = useState<{
    pocket: number
    rows: readonly CheckRow[]
    machine: NonNullable<LoadStationProps['machine']>
  } | null>(null)
  const now = run ? stepNow(steps) : null
  const waitsForSwitch = steps.some((s) => s.state === 'now' && s.watched && s.step !== 'written' && s.step !== 'recorded')
  useEffect(() => {
    if (!waitsForSwitch) return
    const timer = setInterval(() => router.refresh(), POLL_MS)
    return () => clearInterval(timer)
  }, [waitsForSwitch, router])
  const go = (change: Record<string, string>) => {
    setProblem(null)
    const fresh = done !== null
    setDone(null)
    const kept = {
      ...(machine ? { machine: machine.key } : {}),
      ...(serial && !fresh ? { serial } : {}),
      ...(label && !fresh ? { label } : {}),
    }
    return `/load?${new URLSearchParams({ ...kept, ...change }).toString()}`
  }
  useScans((raw): ScanSaid | null => {
    const scan = readScan(raw)
    if (scan.type === 'machine') return { title: scan.key, text: 'machine', tone: 'todo', href: go({ machine: scan.key }) }
    if (scan.type === 'label')
      return {
        title: `Label of T${scan.label.t}`,
        text: `${scan.label.serial}, hand-over ${scan.label.issue}`,
        tone: 'todo',
        href: go({ label: scan.text }),
      }
    if (scan.type === 'plain' && /^[A-Z]{2}\d+/i.test(scan.text))
      return { title: scan.text.toUpperCase(), text: 'holder', tone: 'todo', href: go({ serial: scan.text.toUpperCase() }) }
    return null
  })
  const chosen = (n: number) => router.push(go({ pocket: String(n) }))
  const given = Object.entries(reasons).flatMap(([rule, reason]) =>
    reason && reason.trim().length >= 3 ? [{ rule: rule as LoadRule, reason: reason.trim() }] : [],
  )
  const mayBegin =
    findings.length > 0 &&
    scans.every((s) => s.state === 'holds') &&
    isClear(
      findings,
      given.map((r) => r.rule),
    )
  const begin = () =>
    machine &&
    serial &&
    act(
      async () => {
        const begun = await props.begin({
          machine: machine.key,
          serial,
          label: label ?? undefined,
          pocket: pocket ?? undefined,
          reasons: given,
        })
        if (!begun.ok || begun.value.pocket === SPINDLE || machine.typed) return begun
        const turned = await props.turn({ serial })
        return turned.ok ? begun : turned
      },
      () => setReasons({}),
    )
  const finish = () =>
    machine &&
    serial &&
    act(
      () => props.load({ serial }),
      (loaded) => setDone({ ...loaded, machine }),
    )

  const left = (
    <>
      {props.title}
      {serial || label ? (
        <div className="grid grid-cols-[1fr_250px] gap-5 max-[900px]:grid-cols-1">
          {done ? (
            <p className="text-holds text-lg font-semibold">
              ● {serial} stands in {done.machine.name}, {pocketText(done.pocket)}.
            </p>
          ) : (
            <Checks
              scans={scans}
              findings={findings}
              overruled={run?.overruled ?? []}
              reasons={reasons}
              onReason={run ? undefined : (rule, reason) => setReasons((r) => ({ ...r, [rule]: reason }))}
            />
          )}
          {props.drawing}
        </div>
      ) : (
        <>
          <Checks scans={scans} findings={[]} overruled={[]} reasons={{}} />
          {props.jobs}
        </>
      )}
      {view && (
        <figure className="mt-1">
          <MagazineDrawing
            view={view}
            chosen={serial ? pocket : null}
            widestMm={props.widestMm}
            width={650}
            height={view.magazine.form === 'drum' ? 250 : 200}
            onChoose={serial && !run ? chosen : undefined}
          />
          <figcaption className="text-soft text-base">
            {serial && props.why && !run ? <span className="text-ink mr-3">{props.why}</span> : null}● taken, paler where only the
            control knows it · ○ free · × too narrow for this tool · ▶ at the loading place
          </figcaption>
          <Inside pockets={view.pockets} decimals={machine?.decimals ?? 3} unit={view.unit} />
        </figure>
      )}
    </>
  )
  if (done)
    return (
      <Sheet
        left={left}
        right={
          <>
            <h2 className="text-2xl font-bold">
              {done.machine.typed ? 'Read back by eye from' : 'Read back from'} {done.machine.name}
            </h2>
            <div className="overflow-x-auto" tabIndex={0}>
              <CheckTable rows={done.rows} decimals={done.machine.decimals} heldName="control holds" />
            </div>
            <Cautions lines={CAUTIONS.slice(1)} />
            <div className="mt-auto">
              <Say
                tone="holds"
                lead={`${done.pocket === SPINDLE ? 'In the spindle' : `In pocket ${done.pocket}`}, ${done.machine.typed ? 'figures typed' : 'offsets written'} and read back.`}
                role="status"
              >
                Take the label off its clip. What is not watched here: whether it is this very tool that stands there.
              </Say>
              <BigAction onAct={() => router.push(`/load?machine=${done.machine.key}`)}>
                Next tool for {done.machine.name}
              </BigAction>
            </div>
          </>
        }
      />
    )
  const refused = scans.find((s) => s.state === 'refused') ?? findings.find((f) => f.state === 'refused')
  const missing = !machine
    ? 'Scan the machine'
    : !serial
      ? 'Scan the holder'
      : scans.some((s) => s.rule === 'label' && s.state === 'waits')
        ? 'Scan the label'
        : refused?.rule === 'label'
          ? 'Scan another label'
          : 'Scan another tool'
  return (
    <Sheet
      left={left}
      right={
        <>
          {props.figures}
          {run && machine && (
            <>
              <p className="text-soft mt-1 text-base">
                {pocketText(run.pocket)}, begun by {props.runBy}
              </p>
              <Steps steps={steps} />
              {now === 'written' && machine.typed && (
                <TypedFigures
                  machine={machine}
                  figures={props.typed}
                  busy={busy}
                  onRead={(register, value) => void act(() => props.typeFigure({ serial: run.serial, register, value }))}
                />
              )}
            </>
          )}
          <Cautions
            lines={
              now === 'written'
                ? CAUTIONS.slice(1)
                : [...(pocket === SPINDLE ? [BY_HAND] : []), ...(run ? CAUTIONS.slice(0, 1) : CAUTIONS)]
            }
          />
          <div className="mt-auto">
            {silence && (
              <Say tone="off" lead="The control is silent." role="alert">
                {silence}
              </Say>
            )}
            <Problem lead="Not loaded." text={problem ?? (silence ? null : (refused?.text ?? null))} />
            {run && machine && serial ? (
              <Next {...props} machine={machine} serial={serial} busy={busy} act={act} finish={() => void finish()} />
            ) : mayBegin && machine && pocket !== null ? (
              <>
                <Say
                  tone="todo"
                  lead={
                    pocket === SPINDLE
                      ? 'By hand into the spindle.'
                      : machine.typed
                        ? `Put it into pocket ${pocket}.`
                        : `The magazine turns to pocket ${pocket}.`
                  }
                >
                  {pocket === SPINDLE || machine.typed
                    ? 'The pocket is kept for it from now on.'
                    : 'Door shut, nobody inside: it moves when you press.'}
                </Say>
                <BigAction onAct={() => void begin()} disabled={busy}>
                  {busy
                    ? 'Claiming it …'
                    : pocket === SPINDLE
                      ? 'Begin: into the spindle'
                      : machine.typed
                        ? `Begin: pocket ${pocket}`
                        : `Turn to pocket ${pocket}`}
                </BigAction>
              </>
            ) : (
              <ScanAction>{findings.some((f) => f.state === 'asks') && !refused ? 'Say why on the left' : missing}</ScanAction>
            )}
            {!machine && (
              <SmallActions>
                {props.machines.map(({ key, name }) => (
                  <SmallAction key={key} onAct={() => router.push(go({ machine: key }))}>
                    {name}
                  </SmallAction>
                ))}
              </SmallActions>
            )}
            {machine && serial && !run && view && scans.every((s) => s.state === 'holds') && (
              <SmallActions>
                <select
                  className={`${FIELD} mt-0! flex-1`}
                  aria-label="Another pocket"
                  value={pocket ?? ''}
                  onChange={(e) => chosen(Number(e.target.value))}
                >
                  {pocket === null && <option value="">no pocket</option>}
                  {view.pockets
                    .filter((p) => p.type === 'free' || p.pocket === pocket)
                    .map((p) => (
                      <option key={p.pocket} value={p.pocket}>
                        Pocket {p.pocket}
                      </option>
                    ))}
                  <option value={SPINDLE}>By hand, spindle</option>
                </select>
              </SmallActions>
            )}
            {machine && !serial && props.underWay.length > 0 && (
              <SmallActions>
                {props.underWay.map((u) => (
                  <SmallAction key={u.serial} onAct={() => router.push(`/load?serial=${u.serial}`)}>
                    Go on with T{u.t}, {pocketText(u.pocket)}
                  </SmallAction>
                ))}
              </SmallActions>
            )}
          </div>
        </>
      }
    />
  )
}

const HANDS: Partial<Record<StepLine['step'], readonly [HandAct, string]>> = {
  open: ['open', 'open the door'],
  in: ['put', 'put it in'],
  shut: ['shut', 'shut the door'],
}

/** What is to be done now, and how to give it up. */
function Next({
  machine,
  serial,
  run,
  steps,
  standIn,
  busy,
  act,
  finish,
  turn,
  tick,
  drop,
  hand,
  findings,
}: LoadStationProps & {
  readonly machine: NonNullable<LoadStationProps['machine']>
  readonly serial: string
  readonly busy: boolean
  readonly act: ReturnType<typeof useAct>['run']
  readonly finish: () => void
}) {
  const [why, setWhy] = useState<string | null>(null)
  const step = steps.find((s) => s.state === 'now')
  if (!run || !step) return null
  const byHand = run.pocket === SPINDLE
  const due = step.step
  const clear = isClear(
    findings,
    run.overruled.map((o) => o.rule),
  )
  const tap = HANDS[due]
  const play: readonly [HandAct, string] | undefined =
    byHand && due === 'pocket' ? ['manual', 'changer to manual'] : byHand && due === 'in' ? ['spindle put', 'put it in'] : tap
  return (
    <>
      {due === 'pocket' && !byHand && !machine.typed ? (
        <BigAction onAct={() => void act(() => turn({ serial }))} disabled={busy}>
          Turn to pocket {run.pocket}
        </BigAction>
      ) : due === 'written' || due === 'recorded' ? (
        machine.typed && due === 'written' ? null : (
          <>
            <Say
              tone="todo"
              lead={machine.typed ? 'All figures are typed and read back.' : `It stands in ${pocketText(run.pocket)}, door shut.`}
            >
              {machine.typed ? 'Record it.' : `The figures go to ${machine.name} and are read back.`}
            </Say>
            <BigAction onAct={finish} disabled={busy || !clear}>
              {busy ? 'Writing and reading back …' : machine.typed ? 'Record it' : `Send to ${machine.name}`}
            </BigAction>
          </>
        )
      ) : step.watched ? (
        <Say tone="todo" lead={`${step.text}.`} role="status">
          The machine’s switch watches it; this sheet goes on by itself.
        </Say>
      ) : (
        <BigAction onAct={() => void act(() => tick({ serial, step: due }))} disabled={busy}>
          {step.text}: done
        </BigAction>
      )}
      {standIn && step.watched && play && (
        <SmallActions>
          <SmallAction onAct={() => void act(() => hand({ machine: machine.key, act: play[0] }))} disabled={busy}>
            Stand-in machine: {play[1]}
          </SmallAction>
        </SmallActions>
      )}
      {why === null ? (
        <SmallActions>
          <SmallAction onAct={() => setWhy('')}>Give it up …</SmallAction>
        </SmallActions>
      ) : (
        <SmallActions>
          <input
            className={`${FIELD} mt-0! flex-1`}
            value={why}
            aria-label="Why it is given up"
            placeholder="why"
            onChange={(e) => setWhy(e.target.value)}
          />
          <SmallAction
            onAct={() =>
              void act(
                () => drop({ serial, reason: why.trim() }),
                () => setWhy(null),
              )
            }
            disabled={busy}
          >
            Give it up
          </SmallAction>
        </SmallActions>
      )}
    </>
  )
}
