import { pinErrorText, setErrorText } from '@/words/pictures'
import type { PicturesFault } from '@/workers/pictures.worker'

export function picturesFaultText(fault: PicturesFault): string {
  switch (fault.code) {
    case 'FILE':
      return fault.detail
    case 'NO_PICTURE':
      return 'There is no picture in this set.'
    case 'SET':
      return setErrorText(fault.error)
    case 'PIN':
      return pinErrorText(fault.error)
  }
}
