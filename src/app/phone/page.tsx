'use client'
import { PhoneWindow } from '@/parts/sound-path'

export default function PhonePage() {
  return <PhoneWindow />
}
