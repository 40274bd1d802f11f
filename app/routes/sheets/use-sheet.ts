import { useEffect, useRef, useState } from 'react'
import { useRevalidator } from 'react-router'
import { newId } from '~/lib/ids'
import { useFieldText, useUnits } from '~/lib/units'
import type { Filled, SheetField } from '~core/repair-sheets/sheet'
import { readNumber } from '~core/units/typed-number'
import { readQuantity } from '~core/units/units'
import { numberFault } from '~core/words/typed-number'

/** Tried again so long after no server was there. */
const AGAIN_MS = 3000

type Kept = { filled: Filled; fills: number }

/** What leaves the page; by its id the server records it once, however often it has to be sent. */
type Sent = Kept & { id: string }

/** What was given on this page, the number of fills it builds on, and what of it is recorded. */
type Given = Kept & { recorded: Filled }

/**
 * By plain fetch: what cannot be sent stays on the page, where a failed form would take the page away.
 *
 * @returns why it was not recorded; undefined where no server answered
 */
async function sent(body: Sent): Promise<{ refusal?: string } | undefined> {
  try {
    const answer = await fetch(`${location.pathname}/fill`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    const said = answer.headers.get('Content-Type')?.includes('json') ? await answer.json() : undefined
    return said ?? { refusal: 'The server wants to know who is here, or has a fault: open this page again.' }
  } catch {
    return undefined
  }
}

/** Whether two say the same, in whatever order it was filled in. */
const isSame = (a: Filled, b: Filled): boolean => {
  const ids = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...ids].every((id) => a[id] === b[id])
}

/**
 * A sheet as it stands on this page. Every answer is recorded as it is given, one after the other, so that a telephone
 * call in between costs nothing; what was refused stays here and is shown as not recorded.
 */
export function useSheet(kept: Kept, locked: boolean, canBe: (filled: Filled) => boolean) {
  const units = useUnits()
  const text = useFieldText()
  const [given, setGiven] = useState<Given>()
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({})
  /** A number is being typed: it is recorded once its field is left. */
  const [typing, setTyping] = useState(false)
  const [refusal, setRefusal] = useState<string>()
  const [sending, setSending] = useState(false)
  /** So often in a row no server was there. */
  const [lost, setLost] = useState(0)
  /** Sent and not yet answered for: whether it is recorded nobody here knows, so it goes first, as it was. */
  const unanswered = useRef<Sent>(undefined)
  const { revalidate } = useRevalidator()
  const standing: Given = { ...kept, recorded: kept.filled }
  const differs = given !== undefined && !isSame(given.filled, given.recorded)
  // All that was given here is recorded and loaded again: what stands is shown, also where somebody else added to it.
  const isSettled = given === undefined || (!differs && kept.fills >= given.fills)
  const { filled, fills } = isSettled ? standing : given
  const impossible = differs && !canBe(filled)
  const waits = differs && !typing && !locked && !impossible && refusal === undefined
  const goes = waits && !sending
  useEffect(() => {
    if (!goes) return
    const send = async () => {
      setSending(true)
      const body = unanswered.current ?? { id: newId(), filled, fills }
      unanswered.current = body
      const answer = await sent(body)
      setSending(false)
      if (answer === undefined) return setLost((before) => before + 1)
      unanswered.current = undefined
      setLost(0)
      setRefusal(answer.refusal)
      if (answer.refusal === undefined)
        setGiven((before) => before && { ...before, fills: body.fills + 1, recorded: body.filled })
      // What was refused was given on a page that somebody else had gone past.
      revalidate()
    }
    const timer = setTimeout(send, lost > 0 ? AGAIN_MS : 0)
    return () => clearTimeout(timer)
  }, [goes, filled, fills, lost, revalidate])

  const set = (values: Readonly<Record<string, number | string | undefined>>) =>
    setGiven((before) => {
      const on = before === undefined || isSettled ? standing : before
      const known = Object.entries({ ...on.filled, ...values }).filter(([, value]) => value !== undefined)
      return { ...on, filled: Object.fromEntries(known) as Filled }
    })
  /** What was set in another way than by typing shows as it was set. */
  const setAside = (ids: readonly string[]) =>
    setTyped((before) => Object.fromEntries(Object.entries(before).filter(([id]) => !ids.includes(id))))
  const read = (field: SheetField, value: string): number | undefined => {
    if (field.kind === 'amount') return readQuantity(value, field.quantity, units[field.quantity])?.metric
    return readNumber(value)
  }
  const shown = (field: SheetField): string => {
    const value = filled[field.id]
    if (value === undefined) return ''
    return field.kind === 'amount' ? (text(field.quantity, Number(value)) ?? '') : String(value)
  }
  return {
    filled,
    refusal,
    impossible,
    lost: lost > 0,
    recording: sending || waits,
    recorded: given !== undefined && !differs,
    valueOf: (field: SheetField): string => typed[field.id] ?? shown(field),
    faultOf(field: SheetField): string | undefined {
      const value = typed[field.id]?.trim()
      if (!value) return undefined
      const number = read(field, value)
      return number === undefined || number < 0 ? numberFault(value) : undefined
    },
    /** A choice or a clock is taken as it is tapped; a number counts at once, also half typed. */
    change(field: SheetField, value: string) {
      if (field.kind === 'choice' || field.kind === 'clock') return set({ [field.id]: value || undefined })
      setTyped({ ...typed, [field.id]: value })
      setTyping(true)
      const number = value.trim() === '' ? undefined : read(field, value)
      if (number === undefined || number >= 0) set({ [field.id]: number })
    },
    set(values: Readonly<Record<string, number | string | undefined>>) {
      setAside(Object.keys(values))
      set(values)
    },
    leave: () => setTyping(false),
    /** What was recorded meanwhile, instead of what stands on this page. */
    takeWhatStands() {
      setGiven(undefined)
      setTyped({})
      setRefusal(undefined)
    },
  }
}
