import { useEffect, useState } from 'react'
import { useFetcher, useRevalidator } from 'react-router'
import { useFieldText, useUnits } from '~/lib/units'
import type { Filled, SheetField } from '~core/repair-sheets/sheet'
import { readNumber } from '~core/units/typed-number'
import { readQuantity } from '~core/units/units'

const NOT_A_NUMBER = 'Give a number, like 3.1 or 3,1.'

type Kept = { filled: Filled; fills: number }

/**
 * A sheet as it stands on this page. Every answer is recorded as it is given, one after the other, so that a telephone
 * call in between costs nothing; what was refused stays here and is shown as not recorded.
 */
export function useSheet(kept: Kept, locked: boolean, canBe: (filled: Filled) => boolean) {
  const units = useUnits()
  const text = useFieldText()
  const fetcher = useFetcher<{ refusal?: string }>()
  const [filled, setFilled] = useState<Filled>(kept.filled)
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({})
  const [touched, setTouched] = useState(false)
  /** A number is being typed: it is recorded once its field is left. */
  const [typing, setTyping] = useState(false)
  const [seen, setSeen] = useState(kept.fills)
  /** An answer of the server that somebody has read and left behind. */
  const [over, setOver] = useState<unknown>()
  const refusal = fetcher.state === 'idle' && fetcher.data !== over ? fetcher.data?.refusal : undefined
  const { revalidate } = useRevalidator()
  // What was refused was given on a page that somebody else had gone past.
  useEffect(() => {
    if (refusal !== undefined) revalidate()
  }, [refusal, revalidate])
  const differs = touched && JSON.stringify(filled) !== JSON.stringify(kept.filled)
  const impossible = differs && !canBe(filled)
  const waits = differs && !typing && !locked && !impossible && refusal === undefined
  useEffect(() => {
    if (waits && fetcher.state === 'idle' && kept.fills === seen) {
      setSeen(kept.fills + 1)
      fetcher.submit({ filled, fills: kept.fills } as never, { method: 'post', encType: 'application/json' })
    }
  }, [waits, fetcher, filled, kept.fills, seen])

  const set = (values: Readonly<Record<string, number | string | undefined>>) => {
    setFilled((before) => {
      const known = Object.entries({ ...before, ...values }).filter(([, value]) => value !== undefined)
      return Object.fromEntries(known) as Filled
    })
    setTouched(true)
  }
  /** What was set in another way than by typing shows as it was set. */
  const setAside = (ids: readonly string[]) =>
    setTyped((before) => Object.fromEntries(Object.entries(before).filter(([id]) => !ids.includes(id))))
  const read = (field: SheetField, value: string): number | undefined => {
    if (field.kind === 'amount') return readQuantity(value, field.quantity, units[field.quantity])?.metric
    return readNumber(value)
  }
  const standing = (field: SheetField): string => {
    const value = filled[field.id]
    if (value === undefined) return ''
    return field.kind === 'amount' ? (text(field.quantity, Number(value)) ?? '') : String(value)
  }
  return {
    filled,
    refusal,
    impossible,
    recording: fetcher.state !== 'idle' || waits,
    recorded: touched && !differs,
    valueOf: (field: SheetField): string => typed[field.id] ?? standing(field),
    faultOf(field: SheetField): string | undefined {
      const value = typed[field.id]?.trim()
      if (!value) return undefined
      const number = read(field, value)
      return number === undefined || number < 0 ? NOT_A_NUMBER : undefined
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
      setFilled(kept.filled)
      setTyped({})
      setTouched(false)
      setSeen(kept.fills)
      setOver(fetcher.data)
    },
  }
}
