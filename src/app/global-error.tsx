'use client'
// What stands around all pages has failed. The floor goes on in its worker; this page comes back by being loaded anew.
import '@/parts/ui/theme.css'
import { Failed } from '@/parts/frame/failed'

export default function AllFailed({ error }: { error: Error }) {
  return (
    <html lang="en">
      <body>
        <Failed error={error} onAgain={null} />
      </body>
    </html>
  )
}
