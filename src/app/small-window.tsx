'use client'
// Fetched when it is opened: most desks never have one.
import dynamic from 'next/dynamic'
import { useSmallWindow } from '@/parts/frame'

const Content = dynamic(() => import('@/screens/desk').then((desk) => desk.SmallWindow), { ssr: false })

export function SmallWindow() {
  return useSmallWindow() === null ? null : <Content />
}
