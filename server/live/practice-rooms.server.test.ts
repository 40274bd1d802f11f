import { expect, test } from 'vitest'
import { cabView } from '~core/cab/view'
import { practiceJob, practiceVehicle } from '~core/job/practice'
import { onJobChange } from './hub.server'
import {
  closeRoom,
  helperActs,
  joinRoom,
  onHelperAct,
  openRoom,
  roomKey,
  roomOf,
  roomOfHelper,
  showRoom,
} from './practice-rooms.server'

const seen = { point: 'RR', call: 'pressing', pulls: 0, turn: 1 } as const
const view = cabView(practiceJob(practiceVehicle(null).vehicle, 'pump-and-hold'))
const MINUTE_MS = 60_000

test('a code lets one phone in, once, and for ten minutes', () => {
  const room = openRoom(view, 0)
  expect(joinRoom('nothing', 0)).toBeUndefined()
  expect(joinRoom(room.code, 11 * MINUTE_MS)).toBeUndefined()
  const joined = joinRoom(room.code.toLowerCase(), MINUTE_MS)
  expect(roomOfHelper(joined?.token)?.id).toBe(room.id)
  expect(joinRoom(room.code, MINUTE_MS)).toBeUndefined()
})

test('a phone is told what to show, never an older word, and that it is over', () => {
  const room = openRoom(view, 0)
  const token = joinRoom(room.code, 0)?.token
  let told = 0
  const off = onJobChange(roomKey(room.id), () => {
    told += 1
  })
  showRoom(room, { ...view, says: 'press', length: view.length + 2 }, 1)
  showRoom(room, { ...view, says: 'wait', length: view.length + 1 }, 2)
  expect([roomOfHelper(token)?.view.says, told]).toEqual(['press', 1])
  closeRoom(room.id)
  expect([roomOfHelper(token), roomOf(room.id), told]).toEqual([undefined, undefined, 2])
  off()
})

test('what the helper says reaches the page that holds the practice, and no one where it was left', () => {
  const room = openRoom(view, 0)
  const heard: unknown[] = []
  const off = onHelperAct(room.id, (act) => heard.push(act))
  expect(helperActs(room, { act: 'holding', seen })).toBe(true)
  off()
  expect(helperActs(room, { act: 'release', seen })).toBe(false)
  expect(heard).toHaveLength(1)
})

test('rooms that nobody goes on in close, and there are never more than twenty', () => {
  const first = openRoom(view, 0)
  openRoom(view, 3 * 60 * MINUTE_MS)
  expect(roomOf(first.id)).toBeUndefined()
  const opened = Array.from({ length: 25 }, (_, i) => openRoom(view, 4 * 60 * MINUTE_MS + i))
  expect(opened.filter(({ id }) => roomOf(id))).toHaveLength(20)
})
