'use client'
import { useEffect, useState } from 'react'
import type { Frame } from '@/core/imaging'
import { say } from '@/words/screens/camera'

export interface Camera {
  readonly size: { readonly width: number; readonly height: number } | null
  /** Takes what the camera shows now, in grey; null until it is open. */
  readonly take: (() => Promise<Frame>) | null
  /** What the browser calls it: the same each time, as long as its data are kept. */
  readonly name: string | null
  /** Why there is no picture, in words. */
  readonly problem: string | null
}

const WHY: Readonly<Record<string, string>> = {
  NotAllowedError: say.theBrowserIsNotAllowed,
  NotFoundError: say.noCameraIsConnectedTo,
  NotReadableError: say.anotherProgramUsesTheCamera,
}
const WIDTH = 640
const HEIGHT = 480

/** Luma of ITU-R BT.601. */
const grey = (r: number, g: number, b: number) => 0.299 * r + 0.587 * g + 0.114 * b

/** A camera of the browser, in grey, for as long as the sheet is open. */
export function useCamera(): Camera {
  const [camera, setCamera] = useState<Camera>({ size: null, take: null, name: null, problem: null })
  useEffect(() => {
    let open = true
    let stream: MediaStream | null = null
    const start = async () => {
      try {
        if (!navigator.mediaDevices) throw new DOMException('', 'NotAllowedError')
        stream = await navigator.mediaDevices.getUserMedia({ video: { width: WIDTH, height: HEIGHT }, audio: false })
        if (!open) return stream.getTracks().forEach((t) => t.stop())
        const video = document.createElement('video')
        video.srcObject = stream
        video.muted = true
        await video.play()
        const size = { width: video.videoWidth, height: video.videoHeight }
        const canvas = document.createElement('canvas')
        canvas.width = size.width
        canvas.height = size.height
        const context = canvas.getContext('2d', { willReadFrequently: true })!
        const take = async (): Promise<Frame> => {
          context.drawImage(video, 0, 0)
          const { data } = context.getImageData(0, 0, size.width, size.height)
          const out = new Uint8Array(size.width * size.height)
          for (let i = 0, k = 0; i < out.length; i++, k += 4) out[i] = grey(data[k], data[k + 1], data[k + 2])
          return { ...size, data: out }
        }
        setCamera({ size, take, name: stream.getVideoTracks()[0]?.getSettings().deviceId ?? null, problem: null })
      } catch (error) {
        const name = error instanceof DOMException ? error.name : ''
        if (open) setCamera({ size: null, take: null, name: null, problem: WHY[name] ?? say.theCameraCouldNotBe })
      }
    }
    void start()
    return () => {
      open = false
      stream?.getTracks().forEach((t) => t.stop())
    }
  }, [])
  return camera
}
