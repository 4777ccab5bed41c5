'use client'
// Whether a screen reader reads captions out as they come: over a voice that is heard they would be one too many.
import { usePersonalSetting } from './personal-setting'

/** `auto`: only where nothing is heard. */
export const useCaptionsSpoken = () => usePersonalSetting<'auto' | 'on' | 'off'>('captions are read out', 'auto')
