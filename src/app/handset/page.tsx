'use client'
import { HandsetWindow } from '@/parts/sound-path'

export default function HandsetPage() {
  return <HandsetWindow />
}
