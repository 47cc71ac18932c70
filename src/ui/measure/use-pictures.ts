'use client'
import { releaseProxy, wrap, type Remote } from 'comlink'
import { useCallback, useEffect, useRef } from 'react'
import type { PicturesApi } from '@/workers/pictures.worker'

/** The worker that measures pictures of other cameras, for as long as the sheet is open. */
export function usePictures(): () => Remote<PicturesApi> | null {
  const api = useRef<Remote<PicturesApi> | null>(null)
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/pictures.worker.ts', import.meta.url), { type: 'module' })
    const pictures = wrap<PicturesApi>(worker)
    api.current = pictures
    return () => {
      api.current = null
      pictures[releaseProxy]()
      worker.terminate()
    }
  }, [])
  return useCallback(() => api.current, [])
}
