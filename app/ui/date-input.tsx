import { type ComponentProps, useState } from 'react'
import { showDate } from '~/lib/format'

/**
 * A day. Browsers show it each in its own order, and 03/04 is April to one and March to another: under it stands the day
 * as this program writes it everywhere.
 */
export function DateInput({ className = '', defaultValue = '', ...rest }: ComponentProps<'input'>) {
  const [day, setDay] = useState(String(defaultValue))
  return (
    <span className="block">
      <input
        {...rest}
        type="date"
        defaultValue={defaultValue}
        className={`input ${className}`}
        onInput={(event) => setDay(event.currentTarget.value)}
      />
      {/* Whoever hears the field hears it as a date already. */}
      <span aria-hidden="true" className="block min-h-5 text-sm leading-5 text-quiet">
        {day !== '' && showDate(day)}
      </span>
    </span>
  )
}
