'use client'
// A notification of the computer when a call rings and the desk is not in view. Leave is asked for when the agent ticks it,
// never by itself.
import { useEffect, useState } from 'react'
import { usePersonalSetting } from '@/parts/ui'

const KEY = 'notify of calls'
const isThere = () => typeof Notification !== 'undefined'

export function NotificationSetting() {
  const [wanted, setWanted] = usePersonalSetting<'yes' | 'no'>(KEY, 'no')
  const [refused, setRefused] = useState(isThere() && Notification.permission === 'denied')
  const on = wanted === 'yes' && isThere() && Notification.permission === 'granted'
  const change = async (next: boolean) => {
    if (!next) return setWanted('no')
    const permission = await Notification.requestPermission()
    setRefused(permission === 'denied')
    setWanted(permission === 'granted' ? 'yes' : 'no')
  }
  if (!isThere()) return null
  return (
    <div>
      <label className="flex items-center gap-2">
        <input type="checkbox" className="size-4 accent-green" checked={on} disabled={refused} onChange={(e) => void change(e.target.checked)} />
        Notify me of calls while this tab is hidden
      </label>
      {refused && (
        <p className="mt-1 text-soft text-xs">
          The browser does not allow notifications here. Allow them in the site settings at the left end of the address bar.
        </p>
      )}
    </div>
  )
}

/** One notification for each call that begins to ring out of view; it goes away when the ringing ends, and a click shows the desk. */
export function useCallNotification(callId: string | null, title: string, body: string): void {
  const [wanted] = usePersonalSetting<'yes' | 'no'>(KEY, 'no')
  useEffect(() => {
    if (callId === null || wanted !== 'yes' || !isThere() || Notification.permission !== 'granted' || document.visibilityState === 'visible') return
    const shown = new Notification(title, { body, tag: callId, requireInteraction: true })
    shown.onclick = () => {
      window.focus()
      shown.close()
    }
    return () => shown.close()
  }, [callId, wanted, title, body])
}
