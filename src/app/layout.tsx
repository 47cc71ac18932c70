import '@fontsource-variable/sofia-sans-condensed'
import '@fontsource-variable/source-sans-3'
import './globals.css'
import type { Metadata, Viewport } from 'next'
import type { ReactNode } from 'react'
import { countWaiting } from '@/stations/rack/rack'
import { Frame } from '@/ui/shell/frame'
import { Providers, Toasts } from '@/ui/shell/providers'
import { ShellProvider } from '@/ui/shell/shell-provider'
import { context } from './_server/context'
import { answerScanAction, findAnythingAction, setPersonAction, setThemeAction, setUnitAction } from './actions'
import { say } from '@/words/screens/shell'

export const metadata: Metadata = {
  title: { default: 'Boulder', template: say.sBoulder },
  description: say.theToolRoomsBench,
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

const ACTIONS = { answerScan: answerScanAction, setUnit: setUnitAction, setTheme: setThemeAction, setPerson: setPersonAction }

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const shop = await context()
  return (
    <html lang="en" data-theme={shop.theme}>
      <body>
        <Providers>
          <ShellProvider unit={shop.unit} theme={shop.theme} person={shop.person} people={shop.people} actions={ACTIONS}>
            <Frame
              find={findAnythingAction}
              place={process.env.BOULDER_PLACE ?? say.toolRoom}
              waiting={countWaiting(shop.db, shop.now)}
            >
              {children}
            </Frame>
            <Toasts />
          </ShellProvider>
        </Providers>
      </body>
    </html>
  )
}
