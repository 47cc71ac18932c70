'use client'
import { proxy, type Remote } from 'comlink'
import { useEffect, useRef, useState, type RefObject } from 'react'
import type { Calibration } from '@/core/outline'
import type { PicturesApi } from '@/workers/pictures.worker'
import type { Shown } from '@/workers/shown'
import type { Camera } from './use-camera'

/** Between two pictures that are shown, ms. */
const PAUSE_MS = 120

/** What the camera shows as it comes, with what is found in it. @returns `pausedRef`: while it is true, nothing new is shown */
export function useLive(
  { take, size }: Camera,
  place: Calibration | null,
  pictures: () => Remote<PicturesApi> | null,
): { readonly shown: Shown | null; readonly pausedRef: RefObject<boolean> } {
  const [shown, setShown] = useState<Shown | null>(null)
  const pausedRef = useRef(false)
  useEffect(() => {
    if (!take || !size) return
    let open = true
    const watch = async () => {
      while (open) {
        if (!pausedRef.current) {
          const next = await pictures()?.showCamera(proxy(take), size, place)
          if (open && next && !pausedRef.current) setShown(next)
        }
        await new Promise((done) => setTimeout(done, PAUSE_MS))
      }
    }
    void watch()
    return () => {
      open = false
    }
  }, [take, size, place, pictures])
  return { shown, pausedRef }
}
