'use client'
import { say } from '@/words/screens/shell'

export function PrintButton() {
  return (
    <button type="button" className="btn btn-outline" onClick={() => window.print()}>
      {say.print}
    </button>
  )
}
