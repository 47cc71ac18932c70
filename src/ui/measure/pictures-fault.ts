import { frameSetErrorText } from '@/words/files'
import { pinErrorText, setErrorText } from '@/words/pictures'
import type { PicturesFault } from '@/workers/pictures.worker'
import { say } from '@/words/screens/camera'

export function picturesFaultText(fault: PicturesFault): string {
  switch (fault.code) {
    case 'FILE':
      return frameSetErrorText(fault.error)
    case 'NO_PICTURE':
      return say.thereIsNoPictureIn
    case 'SET':
      return setErrorText(fault.error)
    case 'PIN':
      return pinErrorText(fault.error)
  }
}
