'use client'
import { useState } from 'react'
import { FromCamera } from './from-camera'
import { FromFiles } from './from-files'

/** Pictures that this bench did not take: a frame set from a file, or a camera of this terminal. */
export function OtherPictures() {
  const [from, setFrom] = useState<'files' | 'camera'>('files')
  return from === 'files' ? <FromFiles other={() => setFrom('camera')} /> : <FromCamera other={() => setFrom('files')} />
}
