'use client'
import { pocketText } from '@/words/pocket'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { readScan } from '@/codecs/label-text'
import { isClear, stepNow } from '@/core/load'
import { readMark, SPINDLE, type LoadRule } from '@/core/tool'
import { ScanAction, SmallAction, SmallActions } from '../common/actions'
import { Cautions, Problem, Say, Sheet } from '../common/sheet'
import { useKeepFresh } from '../common/keep-fresh'
import { useAct } from '../common/use-act'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'
import { BeginStep, PocketChoice } from './begin-step'
import { CAUTIONS, BY_HAND } from './cautions'
import { LoadLeft } from './load-left'
import type { LoadStationProps } from './load-props'
import { Loaded, type LoadDone } from './loaded'
import { NextStep } from './next-step'
import { Steps } from './steps'
import { TypedFigures } from './typed-figures'
import { say } from '@/words/screens/load'

const POLL_MS = 1500

/** Collects the scans, shows every rule, and goes through the steps of a load on one sheet. */
export function LoadStation(props: LoadStationProps) {
  const { machine, serial, label, scans, findings, run, steps, pocket, view, unreachable } = props
  const router = useRouter()
  const { busy, problem, setProblem, run: act } = useAct()
  const [reasons, setReasons] = useState<Partial<Record<LoadRule, string>>>({})
  const [done, setDone] = useState<LoadDone | null>(null)
  const now = run ? stepNow(steps) : null
  const typing = now === 'written' && machine?.typed ? machine : null
  const waitsForSwitch = steps.some((s) => s.state === 'now' && s.watched && s.step !== 'written' && s.step !== 'recorded')
  useKeepFresh(POLL_MS, waitsForSwitch)
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
  const { actions } = useShell()
  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    if (scan.type === 'machine') return { title: scan.key, text: 'machine', tone: 'todo', href: go({ machine: scan.key }) }
    if (scan.type === 'label')
      return {
        title: say.labelOfT(scan.label.t),
        text: say.handOver(scan.label.serial, scan.label.issue),
        tone: 'todo',
        href: go({ label: scan.text }),
      }
    const mark = scan.type === 'plain' ? readMark(scan.text) : null
    if (mark === null) return null
    const known = await actions.answerScan(raw)
    if (known.kind && known.kind !== 'holder') return known
    return { title: mark, text: 'holder', tone: 'todo', href: go({ serial: mark }) }
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
    <LoadLeft
      {...props}
      reasons={reasons}
      onReason={(rule, reason) => setReasons((r) => ({ ...r, [rule]: reason }))}
      done={done}
      choose={chosen}
    />
  )
  if (done) return <Sheet left={left} right={<Loaded done={done} />} />
  const refused = scans.find((s) => s.state === 'refused') ?? findings.find((f) => f.state === 'refused')
  const missing = !machine
    ? say.scanTheMachine
    : !serial
      ? say.scanTheHolder
      : scans.some((s) => s.rule === 'label' && s.state === 'waits')
        ? say.scanTheLabel
        : refused?.rule === 'label'
          ? say.scanAnotherLabel
          : say.scanAnotherTool
  return (
    <Sheet
      left={left}
      right={
        <>
          {typing ? <h2 className="text-2xl font-bold">{say.figuresTyped(typing.name)}</h2> : props.figures}
          {run && machine && (
            <>
              <p className="text-soft mt-1 text-base">
                {say.startedBy(pocketText(run.pocket))} {props.runBy}
              </p>
              {typing ? (
                <TypedFigures
                  machine={typing}
                  figures={props.typed}
                  busy={busy}
                  problem={<Problem lead={say.notDone} text={problem} />}
                  onRead={(register, value) => void act(() => props.typeFigure({ serial: run.serial, register, value }))}
                />
              ) : (
                <Steps steps={steps} />
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
            {unreachable && (
              <Say tone="off" lead={say.theControlDoesNotAnswer} role="alert">
                {unreachable}
              </Say>
            )}
            <Problem lead={say.notLoaded} text={(typing ? null : problem) ?? (unreachable ? null : (refused?.text ?? null))} />
            {run && machine && serial ? (
              <NextStep {...props} machine={machine} serial={serial} busy={busy} act={act} finish={() => void finish()} />
            ) : mayBegin && machine && pocket !== null ? (
              <BeginStep machine={machine} pocket={pocket} busy={busy} begin={() => void begin()} />
            ) : (
              <ScanAction>{findings.some((f) => f.state === 'asks') && !refused ? say.giveAReasonOnThe : missing}</ScanAction>
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
              <PocketChoice pockets={view.pockets} pocket={pocket} choose={chosen} />
            )}
            {machine && !serial && props.underWay.length > 0 && (
              <SmallActions>
                {props.underWay.map((u) => (
                  <SmallAction key={u.serial} onAct={() => router.push(`/load?serial=${u.serial}`)}>
                    {say.goOnWithT(u.t, pocketText(u.pocket))}
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
