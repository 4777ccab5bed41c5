'use client'
import { Page } from '@/parts/frame'
import { WhatIf } from '@/screens/tomorrow'

export default function WhatIfPage() {
  return (
    <Page title="What if" place="floor">
      <WhatIf />
    </Page>
  )
}
