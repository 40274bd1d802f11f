import { EventEmitter } from 'node:events'
import { cabCodeFrom, readCabCode } from '~core/cab/code'
import type { CabView } from '~core/cab/view'
import type { CabAct } from '~core/words/cab/told'
import { newToken } from '~server/store/token.server'
import { jobChanged, phoneGone } from './hub.server'

/** More than this many shops practise nowhere at once. */
const MOST_ROOMS = 20
/** A code that nobody used goes out, as a job's does; a room that nobody goes on in closes. @source from memory */
const CODE_MS = 10 * 60_000
const IDLE_MS = 2 * 60 * 60_000

/** A practice that a helper at another screen may join: what their phone shows, and nothing else of it. Kept nowhere. */
export type Room = {
  /** Which page goes on in it; whoever knows it may say what the phone shows. */
  id: string
  code: string
  codeUntilMs: number
  /** What the phone holds that joined; one at a time. */
  helper?: string
  view: CabView
  atMs: number
}
/** An act of the helper, as the page that holds the practice is to take it. */
export type HelperAct = { act: CabAct; seen: NonNullable<CabView['seen']> }

const rooms = new Map<string, Room>()
const acted = new EventEmitter().setMaxListeners(0)

/** By which the hub knows a room: no job has such an id. */
export const roomKey = (id: string): string => `practice ${id}`

export function openRoom(view: CabView, nowMs = Date.now()): Room {
  for (const room of rooms.values()) if (nowMs - room.atMs > IDLE_MS) closeRoom(room.id)
  const oldest = [...rooms.values()].sort((a, b) => a.atMs - b.atMs)[0]
  if (rooms.size >= MOST_ROOMS && oldest) closeRoom(oldest.id)
  const code = cabCodeFrom([...crypto.getRandomValues(new Uint16Array(6))])
  const room = { id: newToken(), code, codeUntilMs: nowMs + CODE_MS, view, atMs: nowMs }
  rooms.set(room.id, room)
  return room
}

export const roomOf = (id: string): Room | undefined => rooms.get(id)
export const roomOfHelper = (token: string | undefined): Room | undefined =>
  token === undefined ? undefined : [...rooms.values()].find(({ helper }) => helper === token)

/** What the phone shows from here on; a view that a later one has overtaken is dropped. */
export function showRoom(room: Room, view: CabView, nowMs = Date.now()): void {
  room.atMs = nowMs
  if (view.length < room.view.length) return
  room.view = view
  jobChanged(roomKey(room.id))
}

/** Let a phone in by the code: what it is to hold. A code works once. */
export function joinRoom(typed: string, nowMs = Date.now()): { room: Room; token: string } | undefined {
  const code = readCabCode(typed)
  const room = [...rooms.values()].find((each) => each.code === code && each.codeUntilMs > nowMs)
  if (!room) return undefined
  room.codeUntilMs = nowMs
  room.helper = newToken()
  return { room, token: room.helper }
}

export function closeRoom(id: string): void {
  rooms.delete(id)
  phoneGone(roomKey(id))
}

export const helperActs = (room: Room, act: HelperAct): boolean => acted.emit(room.id, act)
export function onHelperAct(id: string, hear: (act: HelperAct) => void): () => void {
  acted.on(id, hear)
  return () => acted.off(id, hear)
}
