import { expect, test } from 'vitest'
import { onJobChange, onPhone, phoneBeat, phoneExpected, phoneGone, phoneOf, phoneSent } from './hub.server'

test('a phone counts as late after five seconds of silence and as lost after ten; dark at once, and linked again when heard', () => {
  expect(phoneOf('job', 0)).toEqual({ link: 'none', shows: 0 })
  phoneSent('job', 8)
  phoneBeat('job', { dark: false, shows: 7 }, 0)
  const links = [4999, 5001, 9999, 10_001].map((nowMs) => phoneOf('job', nowMs).link)
  expect(links).toEqual(['linked', 'late', 'late', 'lost'])
  phoneBeat('job', { dark: true, shows: 7 }, 11_000)
  expect(phoneOf('job', 11_001).link).toBe('dark')
  phoneBeat('job', { dark: false, shows: 8 }, 12_000)
  expect(phoneOf('job', 12_001)).toEqual({ link: 'linked', shows: 8 })
})

test('a bay hears of its own phone when that shows something else, and no more once it has left', () => {
  const heard: string[] = []
  const off = [onPhone('a', () => heard.push('phone')), onJobChange('a', () => heard.push('job'))]
  phoneSent('a', 3)
  phoneBeat('a', { dark: false, shows: 1 })
  phoneBeat('a', { dark: false, shows: 1 })
  phoneBeat('b', { dark: false, shows: 1 })
  phoneBeat('a', { dark: false, shows: 2 })
  expect(heard).toEqual(['phone', 'phone'])
  phoneGone('a')
  for (const each of off) each()
  phoneBeat('a', { dark: false, shows: 3 })
  expect(heard).toEqual(['phone', 'phone', 'phone', 'job'])
})

test('a phone that was linked before a restart counts as lost until it speaks, and never as none', () => {
  phoneExpected('restarted')
  expect(phoneOf('restarted').link).toBe('lost')
  phoneSent('restarted', 4)
  phoneBeat('restarted', { dark: false, shows: 4 })
  phoneExpected('restarted')
  expect(phoneOf('restarted')).toEqual({ link: 'linked', shows: 4 })
})

test('a phone cannot show a turn of the call that was never sent to it: what it says beyond counts as nothing', () => {
  phoneSent('claims', 5)
  phoneBeat('claims', { dark: false, shows: 999_999 }, 0)
  expect(phoneOf('claims', 0)).toEqual({ link: 'linked', shows: 0 })
  phoneBeat('claims', { dark: false, shows: 5 }, 0)
  expect(phoneOf('claims', 0).shows).toBe(5)
  phoneGone('claims')
  phoneBeat('claims', { dark: false, shows: 5 }, 0)
  expect(phoneOf('claims', 0).shows).toBe(0)
})
