'use client'
import { HandsetWindow } from '@/sound-path'

export default function HandsetPage() {
  return <HandsetWindow />
}
