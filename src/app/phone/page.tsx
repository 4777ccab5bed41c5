'use client'
import { PhoneWindow } from '@/sound-path'

export default function PhonePage() {
  return <PhoneWindow />
}
