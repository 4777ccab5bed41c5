import { describe, expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { dtmfSamples } from '@/core/tones'
import { CODE_GOOD_FOR_MS, createDevices } from './devices'

const ELUNED = toAgentId('agent_eluned-tarnow')
const LINE = '01632 960950'
/** The windows of phones. */
const MINE = { window: 'mine' }
const OTHERS = { window: 'of a stranger' }

function aPhone() {
  const gone: string[] = []
  const back: string[] = []
  let nowMs = 0
  let codes = 111_110
  const devices = createDevices({
    now: () => nowMs,
    newCode: () => String(++codes),
    homeCountry: () => 'GB',
    soundLine: '+441632960950',
    onGone: (_, device, why) => gone.push(`${device}: ${why}`),
    onBack: (_, device) => back.push(device),
    onMoved: () => {},
  })
  const keys = (digits: string) => devices.phoneKeys(ELUNED, MINE, dtmfSamples(digits))
  return { devices, keys, gone, back, state: () => devices.view(ELUNED).phone?.state, pass: (ms: number) => (nowMs += ms) }
}

describe('a phone of one’s own', () => {
  test.each([
    { says: 'the right code, key by key', keyed: ['1', '1', '1', '1', '1', '1'], state: 'connected', hears: /speaks through this phone/ },
    { says: 'the right code in one go', keyed: ['111111'], state: 'connected', hears: /speaks through this phone/ },
    { says: 'a wrong code', keyed: ['111112'], state: 'wrongCode', hears: /wrong/ },
    { says: 'wrong, then right', keyed: ['999999', '111111'], state: 'connected', hears: /speaks through/ },
    { says: 'wrong three times', keyed: ['999999', '999998', '999997'], state: 'tooManyTries', hears: /three times/ },
    { says: 'half a code', keyed: ['111'], state: 'asked', hears: null },
  ])('$says', ({ keyed, state, hears }) => {
    const phone = aPhone()
    phone.devices.expectPhone(ELUNED)
    expect(phone.devices.phoneDials(ELUNED, MINE, LINE)).toMatch(/key in your code/)
    const heard = keyed.map(phone.keys).at(-1)
    if (hears === null) expect(heard).toBeNull()
    else expect(heard).toMatch(hears)
    expect(phone.state()).toBe(state)
    expect(phone.back).toEqual(state === 'connected' ? ['ownPhone'] : [])
  })

  test('a code expires to the millisecond; a new one makes the old one void', () => {
    const phone = aPhone()
    phone.devices.expectPhone(ELUNED)
    phone.devices.phoneDials(ELUNED, MINE, LINE)
    phone.pass(CODE_GOOD_FOR_MS)
    expect(phone.keys('111111')).toMatch(/expired/)
    phone.devices.expectPhone(ELUNED)
    phone.devices.phoneDials(ELUNED, MINE, LINE)
    phone.pass(CODE_GOOD_FOR_MS - 1)
    expect(phone.keys('111111')).toMatch(/wrong/)
    expect(phone.keys('111112')).toMatch(/speaks through/)
  })

  test.each([
    { says: 'another number', dials: '01632 960112', hears: /not in use/ },
    { says: 'no number', dials: 'the desk', hears: /not in use/ },
    { says: 'the line when nobody is expected', dials: LINE, hears: /Nobody is expected/ },
  ])('$says leads nowhere', ({ dials, hears }) => {
    const phone = aPhone()
    expect(phone.devices.phoneDials(ELUNED, MINE, dials)).toMatch(hears)
    expect(phone.keys('111111')).toBeNull()
  })

  test('hanging up a phone that is spoken through is a loss; one that never got in is none', () => {
    const phone = aPhone()
    phone.devices.expectPhone(ELUNED)
    phone.devices.phoneDials(ELUNED, MINE, LINE)
    phone.devices.phoneHangsUp(ELUNED, MINE)
    expect(phone.gone).toEqual([])
    phone.devices.phoneDials(ELUNED, MINE, LINE)
    phone.keys('111111')
    phone.devices.phoneHangsUp(ELUNED, MINE)
    expect(phone.gone).toEqual(['ownPhone: Your phone has hung up.'])
    expect(phone.state()).toBe('hungUp')
  })

  test('is the window that has keyed in the code: another can neither hang it up, nor take its place, nor key for it', () => {
    const { devices, keys, gone, state } = aPhone()
    devices.expectPhone(ELUNED)
    devices.phoneDials(ELUNED, MINE, LINE)
    keys('111')
    // Dialling is nobody's secret; what was keyed elsewhere counts for nobody.
    devices.phoneDials(ELUNED, OTHERS, LINE)
    devices.phoneKeys(ELUNED, OTHERS, dtmfSamples('1'))
    devices.phoneHangsUp(ELUNED, OTHERS)
    expect(keys('111')).toMatch(/speaks through/)
    expect([devices.isPhone(ELUNED, MINE), devices.isPhone(ELUNED, OTHERS)]).toEqual([true, false])
    expect(devices.phoneDials(ELUNED, OTHERS, LINE)).toMatch(/Nobody is expected/)
    expect(devices.phoneKeys(ELUNED, OTHERS, dtmfSamples('111111'))).toBeNull()
    devices.phoneHangsUp(ELUNED, OTHERS)
    expect([gone, state()]).toEqual([[], 'connected'])
  })
})
