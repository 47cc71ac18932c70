'use client'
import { FEATURE_NAMES } from '@/words/properties'
import { proxy } from 'comlink'
import { useState, type SetStateAction, type Dispatch } from 'react'
import { FEATURES, type Feature } from '@/core/features'
import type { Calibration } from '@/core/outline'
import type { SetMeasurement } from '@/core/sets'
import { parseLength } from '@/core/units'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { LengthField } from '../common/form'
import { Problem, Say, Sheet } from '../common/sheet'
import { useShell } from '../shell/shell-context'
import { LivePicture } from './live-picture'
import { PicturesHead } from './pictures-head'
import { SetValues } from './set-values'
import { useCamera } from './use-camera'
import { useLive } from './use-live'
import { usePictures } from './use-pictures'
import { picturesFaultText } from './pictures-fault'
import { say } from '@/words/screens/camera'

const CAMERA_FEATURES: readonly Feature[] = ['LF', 'DC', 'RE', 'SIG', 'KAPR']

/** The camera's picture as it comes, its calibration, and what it measured. */
function useCameraRun() {
  const { unit } = useShell()
  const pictures = usePictures()
  const camera = useCamera()
  const [place, setPlace] = useState<Calibration | null>(null)
  const [set, setSet] = useState<SetMeasurement | null>(null)
  const [pin, setPin] = useState({ diameter: '', length: '' })
  const [asked, setAsked] = useState<readonly Feature[]>(['LF', 'DC', 'RE'])
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const { take } = camera
  const { shown, pausedRef } = useLive(camera, place, pictures)

  const doing = async (work: () => Promise<string | null>) => {
    if (busy) return
    setBusy(true)
    pausedRef.current = true
    setProblem(await work())
    pausedRef.current = false
    setBusy(false)
  }
  const calibrate = () =>
    doing(async () => {
      const diameter = parseLength(pin.diameter, unit)
      const length = parseLength(pin.length, unit)
      if (!diameter.ok || !length.ok || diameter.value <= 0) return say.typeThePinsDiameterAnd
      if (!take) return null
      const done = await pictures()?.calibrate(proxy(take), { diameterMm: diameter.value, lengthMm: length.value })
      if (done?.ok) setPlace(done.value)
      return done && !done.ok ? picturesFaultText(done.error) : null
    })
  const measure = () =>
    doing(async () => {
      if (!take || !place) return null
      const done = await pictures()?.measureCamera(proxy(take), asked, place)
      if (done?.ok) setSet(done.value)
      return done && !done.ok ? picturesFaultText(done.error) : null
    })
  return { camera, place, setPlace, shown, set, setSet, pin, setPin, asked, setAsked, problem, busy, take, calibrate, measure }
}

type CameraRun = ReturnType<typeof useCameraRun>

/** A camera of this terminal: calibrated on a pin, then measured with. */
export function FromCamera({ other }: { readonly other: () => void }) {
  const { unit } = useShell()
  const run = useCameraRun()
  const { camera, place, shown, set, asked, setAsked } = run
  return (
    <Sheet
      left={
        <>
          <PicturesHead lead={say.aCameraOfThisTerminal}>
            {place ? say.pixelIsM((1000 * place.mmPerPixel.x).toFixed(2)) : say.notCalibratedYet}
          </PicturesHead>
          {camera.problem ? (
            <Say tone="off" lead={say.noPicture} role="alert">
              {camera.problem}
            </Say>
          ) : (
            <LivePicture shown={shown} edges={null} unit={unit} small={!place} whole />
          )}
          <p className="text-soft max-w-[676px] text-base leading-snug">{say.useABrightFieldAnd}</p>
        </>
      }
      right={
        <>
          {set ? (
            <SetValues set={set} unit={unit} />
          ) : (
            <>
              <h2 className="text-2xl font-bold">{place ? say.calibrated : say.calibrateOnAPin}</h2>
              <p className="mt-2 text-lg">{place ? say.clampTheToolTurnIt : say.clampAPinOfKnown}</p>
            </>
          )}
          <Asked place={place} asked={asked} setAsked={setAsked} />
          <Foot run={run} other={other} />
        </>
      }
    />
  )
}

/** Calibrating first, then measuring. */
function Foot({ run, other }: { readonly run: CameraRun; readonly other: () => void }) {
  const { place, pin, setPin, problem, measure, busy, asked, calibrate, take, setPlace, setSet } = run
  return (
    <div className="mt-auto pt-3">
      {!place && (
        <div className="mb-2.5 grid grid-cols-2 gap-3">
          <LengthField label={say.pin} value={pin.diameter} onChange={(e) => setPin({ ...pin, diameter: e.target.value })} />
          <LengthField label={say.itsLength} value={pin.length} onChange={(e) => setPin({ ...pin, length: e.target.value })} />
        </div>
      )}
      <Problem lead={place ? say.notMeasured : say.notCalibrated} text={problem} />
      {place ? (
        <BigAction onAct={() => void measure()} disabled={busy || asked.length === 0}>
          {say.measureWhatIsInView}
        </BigAction>
      ) : (
        <BigAction onAct={() => void calibrate()} disabled={busy || !take}>
          {say.calibrateOnThisPin}
        </BigAction>
      )}
      <SmallActions>
        {place && (
          <SmallAction
            onAct={() => {
              setPlace(null)
              setSet(null)
            }}
          >
            {say.calibrateAgain}
          </SmallAction>
        )}
        <SmallAction onAct={other}>{say.picturesFromFiles}</SmallAction>
      </SmallActions>
    </div>
  )
}

/** What is measured. */
function Asked({
  place,
  asked,
  setAsked,
}: {
  readonly place: Calibration | null
  readonly asked: readonly Feature[]
  readonly setAsked: Dispatch<SetStateAction<readonly Feature[]>>
}) {
  return (
    place && (
      <div className="mt-3 grid grid-cols-3 gap-1.5">
        {CAMERA_FEATURES.map((f) => (
          <label
            key={f}
            title={FEATURE_NAMES[f]}
            className="border-rule font-head has-checked:border-act has-checked:text-act flex h-11 items-center gap-2 border px-2 text-[17px] font-semibold"
          >
            <input
              type="checkbox"
              className="checkbox checkbox-primary"
              checked={asked.includes(f)}
              onChange={(e) => setAsked(FEATURES.filter((g) => (g === f ? e.target.checked : asked.includes(g))))}
            />
            {f}
          </label>
        ))}
      </div>
    )
  )
}
