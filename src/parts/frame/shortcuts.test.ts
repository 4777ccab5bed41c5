import { afterEach, describe, expect, test } from 'vitest'
import { setOwnKeys } from '@/parts/ui'
import { type Pressed, shortcutOf } from './shortcuts'

const press = (key: string, code: string, more: Partial<Record<'altKey' | 'ctrlKey' | 'shiftKey' | 'metaKey' | 'altGraph', boolean>> = {}): Pressed => {
  const { altKey = true, ctrlKey = false, shiftKey = false, metaKey = false, altGraph = false } = more
  return { key, code, altKey, ctrlKey, shiftKey, metaKey, getModifierState: (name: string) => name === 'AltGraph' && altGraph }
}

describe('a shortcut goes by the letter that is printed on the key', () => {
  test.each([
    { keyboard: 'QWERTY', key: 'a', code: 'KeyA', name: 'answer' },
    { keyboard: 'QWERTY', key: 'q', code: 'KeyQ', name: 'hangUp' },
    // Where an English keyboard has Q a French one has A.
    { keyboard: 'AZERTY', key: 'a', code: 'KeyQ', name: 'answer' },
    { keyboard: 'AZERTY', key: 'q', code: 'KeyA', name: 'hangUp' },
    { keyboard: 'AZERTY', key: 'w', code: 'KeyZ', name: 'alternate' },
    { keyboard: 'AZERTY', key: 'm', code: 'Semicolon', name: 'mute' },
    // Where an English keyboard has Y a German one has Z.
    { keyboard: 'QWERTZ', key: 'z', code: 'KeyY', name: 'undo' },
    { keyboard: 'QWERTZ', key: 'y', code: 'KeyZ', name: 'record' },
    { keyboard: 'Dvorak', key: 'a', code: 'KeyA', name: 'answer' },
    { keyboard: 'Dvorak', key: 'h', code: 'KeyJ', name: 'hold' },
    { keyboard: 'any', key: 'Enter', code: 'Enter', name: 'save' },
  ])('$keyboard: $key is $name', ({ key, code, name }) => expect(shortcutOf(press(key, code), false)).toEqual({ name }))

  test.each([
    { keyboard: 'QWERTY', key: '4', code: 'Digit4' },
    { keyboard: 'AZERTY', key: "'", code: 'Digit4' },
  ])('$keyboard: the row of digits chooses outcomes', ({ key, code }) => expect(shortcutOf(press(key, code), false)).toEqual({ outcome: '4' }))
})

describe('what writes, or has a further key held, is no shortcut', () => {
  test.each([
    { says: 'AltGr with Q writes @ in Germany', event: press('@', 'KeyQ', { ctrlKey: true, altGraph: true }) },
    { says: 'AltGr where it is no Ctrl', event: press('q', 'KeyQ', { altGraph: true }) },
    { says: 'Alt and the number block writes a character by its number', event: press('4', 'Numpad4') },
    { says: 'Enter of the number block', event: press('Enter', 'NumpadEnter') },
    { says: 'Alt+Shift changes the keyboard', event: press('A', 'KeyA', { shiftKey: true }) },
    { says: 'Ctrl+Alt is somebody else’s', event: press('a', 'KeyA', { ctrlKey: true }) },
    { says: 'Meta+Alt as well', event: press('a', 'KeyA', { metaKey: true }) },
    { says: 'no Alt at all', event: press('a', 'KeyA', { altKey: false }) },
  ])('$says', ({ event }) => expect(shortcutOf(event, false)).toBeNull())

  test('on a Mac Option writes; Control and Option together do not', () => {
    expect(shortcutOf(press('å', 'KeyA'), true)).toBeNull()
    expect(shortcutOf(press('a', 'KeyA'), true)).toBeNull()
    expect(shortcutOf(press('a', 'KeyA', { ctrlKey: true }), true)).toEqual({ name: 'answer' })
  })
})

describe('changed by a person', () => {
  afterEach(() => setOwnKeys({}))
  test('the new key counts and the old one does not', () => {
    setOwnKeys({ 'Alt+A': 'Alt+J' })
    expect(shortcutOf(press('j', 'KeyJ'), false)).toEqual({ name: 'answer' })
    expect(shortcutOf(press('a', 'KeyA'), false)).toBeNull()
  })
})
