'use client'
import { useGo } from '../common/going'
import { verdictText } from '@/words/verdict'
import { say as words } from '@/words/screens/camera'
import { say } from '@/words/screens/measure'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Cautions, Problem, Say, Sheet, Title } from '../common/sheet'
import { useShell, useUnsaved, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import { cameraBig, type CameraBig } from './camera-machine'
import { LivePicture } from './live-picture'
import { SetValues } from './set-values'
import { useCameraBench, type CameraRun, type CameraStationProps } from './use-camera-bench'

/** A terminal's camera that stands still: calibrated on a master once a shift, then an edge after the other, turned by hand. */
export function CameraStation(props: CameraStationProps) {
  const { serial, title, about, edges, masters } = props
  const { unit } = useShell()
  const router = useGo()
  const run = useCameraBench(props)
  const { camera, place, shown, set, taken } = run
  useUnsaved(taken.edges ? words.takenPictures : null)

  useMarks(async (scanned): Promise<ScanSaid | null> => {
    if (!place) {
      if (!masters.includes(scanned)) return null
      const done = await run.calibrate(scanned)
      return done?.ok
        ? { title: scanned, text: words.cameraCalibrated, tone: 'holds' }
        : { title: scanned, text: done?.error ?? words.noPicture, tone: 'off' }
    }
    if (taken.edges < edges) return { title: scanned, text: words.takeAllEdgesFirst(edges), tone: 'todo' }
    const done = await run.save(scanned)
    if (!done) return null
    if (!done.ok) return { title: scanned, text: done.error.text, tone: 'off' }
    router.refresh()
    const { verdict, kept } = done.value
    return {
      title: serial,
      text: kept ? say.savedTheSameWithinUncertaintyIts : `saved: ${verdictText(verdict)}`,
      tone: verdict === 'holds' ? 'holds' : verdict === 'off' ? 'off' : 'todo',
      href: verdict === 'off' || kept ? `/tools/${serial}` : `/hand-over/${serial}`,
    }
  })

  return (
    <Sheet
      left={
        <>
          <Title lead={title}>{about}</Title>
          {camera.problem ? (
            <Say tone="off" lead={words.noPicture} role="alert">
              {camera.problem}
            </Say>
          ) : (
            <LivePicture shown={shown} edges={null} unit={unit} whole />
          )}
          <p className="text-soft max-w-[676px] text-base leading-snug">{words.cameraStandsStill}</p>
        </>
      }
      right={
        <>
          <Right {...props} run={run} />
          {set && <SetValues set={set} unit={unit} />}
          <Foot run={run} {...props} />
        </>
      }
    />
  )
}

/** What to do next, in words. */
function Right({ run, masters, edges }: CameraStationProps & { readonly run: CameraRun }) {
  const { place, taken, asked } = run
  if (!asked && !run.camera.problem) return <h2 className="text-2xl font-bold">{words.cameraOpens}</h2>
  if (!place)
    return (
      <>
        <h2 className="text-2xl font-bold">{words.calibrateTheCamera}</h2>
        {masters.length ? (
          <p className="mt-2 text-lg">{words.calibrateOnMaster(masters.join(' or '))}</p>
        ) : (
          <Say tone="off" lead={words.noMasterForThisTaper}>
            {say.aLeadCanEnterIt}
          </Say>
        )}
        <Cautions lines={[say.cleanTheMasterAndClampIt]} />
      </>
    )
  return (
    <>
      <h2 className="text-2xl font-bold">{taken.edges < edges ? words.edgeOf(taken.edges + 1, edges) : words.allEdgesTaken}</h2>
      <p className="text-soft">{words.pixelIsM((1000 * place.mmPerPixel.x).toFixed(2))}</p>
      {taken.edges < edges && <p className="mt-2 text-lg">{words.turnToItsHighest}</p>}
    </>
  )
}

function Foot({ run, serial, edges, masters }: CameraStationProps & { readonly run: CameraRun }) {
  const { place, taken, problem, reason, setReason, busy, camera, takeEdge, again, recalibrate } = run
  const big = cameraBig({
    opened: camera.take !== null && run.asked,
    calibrated: place !== null,
    taken: taken.edges,
    edges,
    busy,
  })
  return (
    <div className="mt-auto pt-3">
      <Problem lead={place ? say.notSaved : words.notCalibrated} text={problem?.text ?? null} />
      {(problem?.code === 'JUMP' || problem?.code === 'CREPT') && (
        <TextField label={say.whyItChanged} value={reason} onChange={(e) => setReason(e.target.value)} />
      )}
      <Big big={big} masters={masters} serial={serial} takeEdge={() => void takeEdge()} />
      {place && (
        <SmallActions>
          {taken.edges > 0 && <SmallAction onAct={again}>{words.takeAllAgain}</SmallAction>}
          <SmallAction onAct={recalibrate}>{words.calibrateAgain}</SmallAction>
          <SmallAction href={`/measure/${serial}/figures`}>{say.typeInValues}</SmallAction>
        </SmallActions>
      )}
    </div>
  )
}

function Big({
  big,
  masters,
  serial,
  takeEdge,
}: {
  readonly big: CameraBig
  readonly masters: readonly string[]
  readonly serial: string
  readonly takeEdge: () => void
}) {
  switch (big.type) {
    case 'opening':
    case 'measuring':
      return (
        <BigAction onAct={() => undefined} disabled>
          {big.type === 'opening' ? words.cameraOpens : words.measuringThePicture}
        </BigAction>
      )
    case 'calibrate':
      return <ScanAction>{words.scanToCalibrate(masters[0] ?? '')}</ScanAction>
    case 'take':
      return <BigAction onAct={takeEdge}>{words.takeEdge(big.edge)}</BigAction>
    case 'scan':
      return <ScanAction>{say.scanToSave(serial)}</ScanAction>
  }
}
