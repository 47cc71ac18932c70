import Link from '@/ui/common/link'
import { readCartsPage } from '@/stations/kit/pages'
import { isHot } from '@/stations/build/warm'
import { Sheet } from '@/ui/common/sheet'
import { KIT_TABS, SubNav } from '@/ui/common/sub-nav'
import { CartDrawing, PutPanel } from '@/ui/kit/carts-panel'
import { standingText } from '@/ui/kit/standing'
import { StationPage } from '../../_parts/station'
import { signedIn } from '../../_server/context'
import { putIntoPlaceAction } from '../actions'
import { say } from '@/words/screens/kit'

export const metadata = { title: say.cartsAndRacks }

export default async function CartsPage({ searchParams }: { readonly searchParams: Promise<{ job?: string; cart?: string }> }) {
  const { job, cart } = await searchParams
  const shop = await signedIn()
  const { carts, jobs, chosen, missing, names } = readCartsPage(shop.db, shop.now, { job, cart })
  return (
    <StationPage station="kit" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={KIT_TABS} label={say.sheetsOfKit} heading />
            {carts.length === 0 && <p className="text-lg">{say.thereIsNoRackOr}</p>}
            {carts.map(({ unit, slots }) => (
              <CartDrawing
                key={unit.id}
                cart={{
                  id: unit.id,
                  name: unit.name,
                  kind: unit.kind,
                  slots: slots.map(({ place, tool, profile }) => ({
                    id: place.id,
                    taper: place.taper,
                    tool: tool && profile ? { serial: tool.serial, t: tool.t, profile, hot: isHot(tool, shop.now) } : null,
                  })),
                }}
              />
            ))}
            <h2 className="text-2xl font-bold">{say.jobFor(chosen?.unit.name ?? 'it')}</h2>
            <ul className="flex flex-wrap gap-2">
              {jobs.map((j) => (
                <li key={j.id}>
                  <Link
                    href={`/kit/carts?job=${encodeURIComponent(j.id)}&cart=${chosen?.unit.id ?? ''}`}
                    aria-current={j.id === job ? 'true' : undefined}
                    className="btn btn-outline px-3"
                  >
                    {j.id}
                  </Link>
                </li>
              ))}
            </ul>
          </>
        }
        right={
          <PutPanel
            missing={
              job
                ? missing.length
                  ? missing.map((tool) => ({
                      key: `${tool.wanted.t}-${tool.sister}`,
                      text: `T${tool.wanted.t} ${standingText(tool, names)}`,
                    }))
                  : [{ key: 'none', text: say.nothingMissingIsReadyTo(job, chosen?.unit.name) }]
                : []
            }
            put={putIntoPlaceAction}
          />
        }
      />
    </StationPage>
  )
}
