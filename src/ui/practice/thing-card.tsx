'use client'
import { PRACTICE } from '@/core/practice'
import type { Card, RoomThing } from '@/stations/lessons/contract'
import { FAULT_NAMES, SLIP_HOW } from '@/words/lessons'
import { say } from '@/words/screens/practice'
import Link from '../common/link'

export function thingName(card: Card): string {
  switch (card.type) {
    case 'bench':
      return say.bench
    case 'job':
      return say.job(card.job, card.t)
    case 'slip':
      return say.slip(card.serial)
    case 'tool':
    case 'load':
      return say.tool(card.serial)
  }
}

/** Where in the practice room one looks at it. */
function placeOf(card: Card): string {
  switch (card.type) {
    case 'bench':
      return '/measure/masters'
    case 'job':
      return `/build?job=${encodeURIComponent(card.job)}&t=${card.t}`
    case 'slip':
    case 'tool':
      return `/measure/${card.serial}`
    case 'load': {
      const { machine, serial, label, pocket } = card
      return `/load?${new URLSearchParams({ machine, serial, label, pocket: String(pocket) }).toString()}`
    }
  }
}

/** What somebody has in their hands, as it is read there. */
function About({ card }: { readonly card: Card }) {
  if (card.type === 'slip' && card.figures)
    return (
      <span className="block">
        <b className="figures text-xl whitespace-pre">
          {say.slipFigures(card.figures.length.toFixed(card.figures.decimals), card.figures.size.toFixed(3))}
        </b>
        <span className="text-soft block text-base">{SLIP_HOW[card.figures.how]}</span>
      </span>
    )
  if (card.type === 'load') return <span className="text-soft block">{say.goesTo(card.machine, card.pocket)}</span>
  return null
}

/** One thing of a lesson: what it is, what is in hand, where to look at it, and what was said. */
export function ThingRow({
  thing: { card, said },
  chosen,
  choose,
}: {
  readonly thing: RoomThing
  readonly chosen: boolean
  readonly choose: () => void
}) {
  return (
    <li
      className={`border-rule flex items-stretch border-b border-l-[5px] ${chosen ? 'bg-base-200 border-l-act' : 'border-l-transparent'}`}
    >
      <button type="button" aria-pressed={chosen} onClick={choose} className="min-h-14 flex-1 px-3 py-1.5 text-left">
        <b className="font-head text-[21px]">{thingName(card)}</b>
        <About card={card} />
        <span className={`block ${said === null ? 'text-soft' : 'font-semibold'}`}>
          {said === null ? `○ ${say.notSaidYet}` : `● ${FAULT_NAMES[said]}`}
        </span>
      </button>
      <Link href={PRACTICE + placeOf(card)} className="btn btn-outline m-2 self-center px-4">
        {say.goThere}
      </Link>
    </li>
  )
}
