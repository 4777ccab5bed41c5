import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import '@fontsource-variable/literata'
import '@/parts/ui/theme.css'
import type { Metadata } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import { Frame } from '@/parts/frame'
import { AboveThePage, LooksOfPage } from '@/parts/ui'
import { FloorProvider } from '@/services/exchange/react'
import { HistoryProvider } from '@/services/history/react'
import { KeptForOffline } from '@/services/offline'
import { SmallWindow } from './small-window'

export const metadata: Metadata = { title: 'Loyal Switchboard', description: 'An agent desk for contact centres.' }

export default async function Layout({ children }: { children: ReactNode }) {
  // Reading the request makes every page dynamic, which the per-request nonce of the content policy needs.
  await headers()
  return (
    <html lang="en">
      <body>
        <FloorProvider>
          <HistoryProvider>
            <Frame>
              {children}
              <SmallWindow />
            </Frame>
            <KeptForOffline />
          </HistoryProvider>
          <LooksOfPage />
          <AboveThePage />
        </FloorProvider>
      </body>
    </html>
  )
}
