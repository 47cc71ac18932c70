'use client'
import { say } from '@/words/screens/shell'

export function PrintButton() {
  return (
    <button
      type="button"
      className="border-ink font-head h-11 rounded-[3px] border-[1.5px] px-4 text-lg font-semibold"
      onClick={() => window.print()}
    >
      {say.print}
    </button>
  )
}
