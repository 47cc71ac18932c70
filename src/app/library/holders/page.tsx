import Link from '@/ui/common/link'
import { readHolders } from '@/stations/library/pages'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { SmallAction } from '@/ui/common/actions'
import { TextField } from '@/ui/common/form'
import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { AddHolder } from '@/ui/library/holder-forms'
import { signedIn, type Context } from '../../_server/context'
import { fitsText } from '@/words/fits'
import { addHolderAction } from '../actions'
import { say } from '@/words/screens/library'
import type { Refusal } from '@/core/fits'
import type { HolderLine } from '@/stations/library/pages'
import type { Component } from '@/core/tool'

export const metadata = { title: say.holders }

/** Holders on one page. */
const SHOWN = 100

export default async function HoldersPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ words?: string | string[]; after?: string | string[] }>
}) {
  const asked = await searchParams
  const shop = await signedIn()
  const typed = typeof asked.words === 'string' ? asked.words.trim().slice(0, 80) : ''
  const after = typeof asked.after === 'string' ? asked.after : undefined
  const words = typed.split(/\s+/).filter(Boolean)
  const { lines, of, types, drawers } = readHolders(shop.db, shop.now, { after, words, count: SHOWN })
  const more = new URLSearchParams({ ...(typed && { words: typed }), after: lines.at(-1)?.holder.serial ?? '' }).toString()
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label={say.sheetsOfTheLibrary} heading />
            <form role="search" className="flex items-end gap-3">
              <div className="max-w-md min-w-[220px] flex-1">
                <TextField label={say.markOrType} name="words" defaultValue={typed} autoComplete="off" />
              </div>
              <button className="btn btn-outline">{say.search}</button>
              <span className="figures text-soft pb-2.5 text-lg">{say.holderCount(of.toLocaleString('en'))}</span>
            </form>
            <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say.holders}>
              <table className="table">
                <thead>
                  <tr>
                    <th scope="col">{say.serial}</th>
                    <th scope="col">{say.typeLower}</th>
                    <th scope="col" className="text-right">
                      {say.heats}
                    </th>
                    <th scope="col">{say.inspectBy}</th>
                    <th scope="col">{say.studSince}</th>
                    <th scope="col">{say.where}</th>
                  </tr>
                </thead>
                <tbody>
                  {lines.map(({ holder: h, type, health, greatestHeats: greatest }) => (
                    <Line key={h.serial} h={h} type={type} health={health} shop={shop} greatest={greatest} />
                  ))}
                </tbody>
              </table>
            </div>
            <div className="flex max-w-xl items-center gap-3">
              {after && <SmallAction href="/library/holders">{say.fromTheStart}</SmallAction>}
              {lines.length === SHOWN && <SmallAction href={`/library/holders?${more}`}>{say.moreHolders}</SmallAction>}
            </div>
            {lines.length === 0 && of > 0 && <p className="text-soft text-lg">{say.noHolderFound}</p>}
            {of === 0 && <p className="text-lg">{say.noHoldersYetAddOne}</p>}
          </>
        }
        right={<AddHolder types={types} places={drawers} add={addHolderAction} />}
      />
    </>
  )
}

/** One holder. */
function Line({
  h,
  type,
  health,
  shop,
  greatest,
}: {
  readonly h: HolderLine['holder']
  readonly type: Component | null
  readonly health: readonly Refusal[]
  readonly shop: Context
  readonly greatest: number | undefined
}) {
  return (
    <tr className="border-rule h-[46px] border-b [&>td]:pr-4">
      <th scope="row">
        <Link className="row-link pr-4 text-[19px]" href={`/tools/${h.serial}`}>
          {h.serial}
        </Link>
      </th>
      <td>
        {type?.name ?? h.coupling}
        {health.length > 0 && (
          <span className="text-off block text-[14px] leading-tight font-semibold">◆ {fitsText(health[0], shop.units)}</span>
        )}
      </td>
      <td className="num text-right text-[19px] whitespace-nowrap">
        {greatest === undefined && h.heats === 0 ? '–' : h.heats}
        {greatest !== undefined && <small className="text-soft"> {say.ofGreatest(greatest)}</small>}
      </td>
      <td className="figures whitespace-nowrap">{h.inspectBy?.slice(0, 10) ?? '–'}</td>
      <td className="figures whitespace-nowrap">{h.studSince?.slice(0, 10) ?? '–'}</td>
      <td className="whitespace-nowrap">
        {h.retired
          ? say.retiredMark
          : h.carries
            ? h.carriesT === null
              ? say.withATool
              : say.withT(h.carriesT)
            : say.freePlace(h.place ?? say.noPlace)}
      </td>
    </tr>
  )
}
