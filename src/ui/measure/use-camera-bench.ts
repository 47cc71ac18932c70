'use client'
import { proxy } from 'comlink'
import { useEffect, useState } from 'react'
import type { Feature } from '@/core/features'
import type { SetMeasurement } from '@/core/sets'
import type { Result } from '@/core/units'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import { say } from '@/words/screens/camera'
import { calibrateCamera, type CameraPlace } from './calibrate-camera'
import { nextEdge } from './camera-machine'
import { picturesFaultText } from './pictures-fault'
import { savePictures } from './save-pictures'
import { useCamera } from './use-camera'
import { useLive } from './use-live'
import { usePictures } from './use-pictures'

export interface CameraStationProps {
  readonly serial: string
  readonly title: string
  readonly about: string
  readonly coupling: string
  /** Marks of the masters that it can be calibrated on. */
  readonly masters: readonly string[]
  readonly edges: number
  readonly turning: boolean
  readonly features: readonly Feature[]
  /** Version of the tool's routine; 0 without one. */
  readonly program: number
  readonly state: Ask<typeof measure.cameraState>
}

/** The camera's picture as it comes, where it looks, and what was taken. */
// eslint-disable-next-line max-lines-per-function -- one camera and everything that is asked of it
export function useCameraBench({ serial, coupling, edges, turning, features, program, state }: CameraStationProps) {
  const pictures = usePictures()
  const camera = useCamera()
  const { take, name } = camera
  const [place, setPlace] = useState<CameraPlace | null>(null)
  const [asked, setAsked] = useState(false)
  const [set, setSet] = useState<SetMeasurement | null>(null)
  const [taken, setTaken] = useState({ edges: 0, at: '' })
  const [problem, setProblem] = useState<{ readonly code: string; readonly text: string } | null>(null)
  const [reason, setReason] = useState('')
  const [busy, setBusy] = useState(false)

  useEffect(() => {
    if (name === null || asked) return
    void state({ serial, camera: name }).then((known) => {
      setAsked(true)
      if (known.ok) setPlace(known.value.calibration)
      else setProblem(known.error)
    })
  }, [name, asked, serial, state])
  const { shown, pausedRef } = useLive(camera, place, pictures)
  const doing = async <T>(work: () => Promise<T>): Promise<T | null> => {
    if (busy) return null
    setBusy(true)
    setProblem(null)
    pausedRef.current = true
    try {
      return await work()
    } finally {
      pausedRef.current = false
      setBusy(false)
    }
  }
  const calibrate = (scanned: string) =>
    doing(async (): Promise<Result<null, string>> => {
      if (!take || name === null) return { ok: false, error: say.noPicture }
      const zip = await pictures()?.packPin(proxy(take))
      const done = zip ? await calibrateCamera({ camera: name, coupling, scanned }, zip) : null
      if (!done?.ok) {
        setProblem({ code: 'PIN', text: done?.error ?? say.noPicture })
        return { ok: false, error: done?.error ?? say.noPicture }
      }
      setPlace(done.value)
      setTaken({ edges: 0, at: '' })
      setSet(null)
      return { ok: true, value: null }
    })
  const takeEdge = () =>
    doing(async () => {
      if (!take || !place) return
      const edge = nextEdge(taken.edges, edges)
      const done = await pictures()?.takeEdge(proxy(take), edge, (360 * (edge - 1)) / edges, {
        measure: features,
        place,
        turning,
      })
      if (done?.ok) {
        setSet(done.value)
        setTaken({ edges: edge, at: edge === 1 ? new Date().toISOString() : taken.at })
      } else if (done) setProblem({ code: 'PICTURE', text: picturesFaultText(done.error) })
    })
  const save = (scanned: string) =>
    doing(async () => {
      const zip = place && (await pictures()?.packEdges(place, features))
      if (!zip || !place || name === null) return null
      const about = { taken: taken.at, check: place.checkId, program, reason: reason.trim(), camera: name }
      const done = await savePictures(serial, scanned, about, zip)
      if (!done.ok) setProblem(done.error)
      return done
    })
  const again = () => {
    setTaken({ edges: 0, at: '' })
    setSet(null)
    setProblem(null)
  }
  const recalibrate = () => {
    again()
    setPlace(null)
  }
  return {
    camera,
    place,
    asked,
    shown,
    set,
    taken,
    problem,
    reason,
    setReason,
    busy,
    calibrate,
    takeEdge,
    save,
    again,
    recalibrate,
  }
}
export type CameraRun = ReturnType<typeof useCameraBench>
