'use client'
// A page that fails leaves what stands around it as it is: the call, its sound and the bar above go on.
import { useRouter } from 'next/navigation'
import { startTransition } from 'react'
import { Failed } from '@/parts/frame/failed'

export default function PageFailed({ error, reset }: { error: Error; reset: () => void }) {
  const router = useRouter()
  // What could not be fetched is fetched anew, and then shown.
  const again = () =>
    startTransition(() => {
      router.refresh()
      reset()
    })
  return <Failed error={error} onAgain={again} />
}
