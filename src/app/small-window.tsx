'use client'
import { useSmallWindow } from '@/parts/frame'
// Fetched when it is opened: most desks never have one.
import { later } from '@/parts/ui'

const Content = later(() => import('@/screens/desk').then((desk) => desk.SmallWindow))

export function SmallWindow() {
  return useSmallWindow() === null ? null : <Content />
}
