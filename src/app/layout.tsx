import { SI } from '@/core/units'
import '@fontsource-variable/sofia-sans-condensed'
import '@fontsource-variable/source-sans-3'
import './globals.css'
import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import { isNew, shopName } from '@/stations/people/pages'
import { couplingNames } from '@/stations/set-up/couplings'
import { countWaiting } from '@/stations/rack/rack'
import { FirstRun } from '@/ui/settings/first-run'
import { Frame } from '@/ui/shell/frame'
import { Providers, Toasts } from '@/ui/shell/providers'
import { SignIn } from '@/ui/shell/sign-in'
import { ShellProvider } from '@/ui/shell/shell-provider'
import { context, type Context } from './_server/context'
import {
  answerScanAction,
  beginShopAction,
  findAnythingAction,
  setShowsAction,
  setThemeAction,
  setUnitAction,
  signInAction,
  signOutAction,
} from './actions'
import { ROOMS, TOUR } from '@/core/practice'
import { dataFolder, PRACTICE_HEADER, storageState } from '@/runtime'
import { Inside, PracticeStrip } from '@/ui/practice/practice-room'
import type { TourGuideProps } from '@/ui/practice/tour-guide'
import { currentHandover } from '@/stations/reads'
import { hasLessons, type RoomRun } from '@/stations/lessons/room'
import { TOUR_HOLDER } from '@/words/tour'
import { endRoomAction, startRoomAction, stepDoneAction } from './practice/lessons/actions'
import { letTimePassAction } from './stand-in/actions'
import { storageFault, type StorageFault } from '@/stations/storage'
import { Say } from '@/ui/common/sheet'
import { refusalText } from '@/words/refusals'
import { say } from '@/words/screens/shell'

export async function generateMetadata(): Promise<Metadata> {
  const practice = (await headers()).has(PRACTICE_HEADER)
  return {
    title: { default: 'Boulder', template: practice ? say.sPractice : say.sBoulder },
    description: say.theToolRoomsBench,
  }
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

const ACTIONS = {
  answerScan: answerScanAction,
  setUnit: setUnitAction,
  setTheme: setThemeAction,
  setShows: setShowsAction,
  signIn: signInAction,
  signOut: signOutAction,
}

/** The shop of this request, or why its database cannot be opened. */
async function shopOrFault(): Promise<{ readonly shop: Context } | { readonly fault: StorageFault }> {
  try {
    return { shop: await context() }
  } catch (error) {
    const fault = storageFault(error)
    if (fault) return { fault }
    throw error
  }
}

/** Where somebody is on their tour; null: this lesson is none. */
function tourOf(db: Context['db'], { id, lesson, said }: RoomRun): TourGuideProps | null {
  if (lesson !== TOUR) return null
  const label = currentHandover(db, TOUR_HOLDER)?.label ?? null
  return { run: id, done: said.at(-1)?.number ?? 0, label, stepDone: stepDoneAction, end: endRoomAction }
}

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const opened = await shopOrFault()
  if ('fault' in opened)
    return (
      <html lang="en" data-theme="granite">
        <body className="p-8">
          <Say tone="off" lead={say.nothingCanBeSaved} role="alert">
            {refusalText({ code: opened.fault }, SI)}
          </Say>
        </body>
      </html>
    )
  const { shop } = opened
  const fault = storageState(dataFolder())
  const place = shop.lesson ? say.practiceRoom : (process.env.BOULDER_PLACE ?? shopName(shop.db) ?? say.toolRoom)
  return (
    <html lang="en" data-theme={shop.theme} data-text={shop.text}>
      <body>
        <Providers>
          <Inside practice={shop.lesson !== null}>
            <ShellProvider
              units={shop.units}
              text={shop.text}
              theme={shop.theme}
              person={shop.person}
              people={shop.lesson ? [] : shop.people}
              couplings={couplingNames(shop.db)}
              actions={ACTIONS}
            >
              {isNew(shop.db) ? (
                <FirstRun begin={beginShopAction} zones={Intl.supportedValuesOf('timeZone')} />
              ) : shop.person === null ? (
                <SignIn place={place} />
              ) : (
                <Frame
                  find={findAnythingAction}
                  place={place}
                  waiting={countWaiting(shop.db, shop.now)}
                  tour={shop.lesson || hasLessons(shop.db, shop.person.id) ? null : startRoomAction}
                  strip={
                    shop.lesson && (
                      <PracticeStrip
                        lesson={shop.lesson.lesson}
                        minutes={ROOMS[shop.lesson.lesson].minutes}
                        startedAt={shop.lesson.startedAt}
                        letTimePass={letTimePassAction}
                        tour={tourOf(shop.db, shop.lesson)}
                      />
                    )
                  }
                  fault={fault && refusalText({ code: fault }, shop.units)}
                >
                  {children}
                </Frame>
              )}
              <Toasts />
            </ShellProvider>
          </Inside>
        </Providers>
      </body>
    </html>
  )
}
