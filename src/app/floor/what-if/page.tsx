'use client'
import { Page } from '@/frame'
import { WhatIf } from '@/tomorrow'

export default function WhatIfPage() {
  return (
    <Page title="What if" place="floor">
      <WhatIf />
    </Page>
  )
}
