'use client'

export function PrintButton() {
  return (
    <button
      type="button"
      className="border-ink font-head h-11 rounded-[3px] border-[1.5px] px-4 text-lg font-semibold"
      onClick={() => window.print()}
    >
      Print
    </button>
  )
}
