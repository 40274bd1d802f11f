import { type ReactNode, useEffect, useRef, useState } from 'react'
import type { ScaleHere } from '~/client/job/use-bottle-scale'
import type { FloorAct } from '~/client/job/use-job-run'
import { HosePicture, Swatch } from '~/components/swatch'
import { lowerFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { type Amount, useShow, useUnits } from '~/lib/units'
import { Button } from '~/ui/button'
import { type Bubbles, bubbleKinds, type Colour, colourFact, colours } from '~core/fluid/specs/colour'
import { lookMarks } from '~core/job/bottle'
import { AmountDialog } from './amount-dialog'

const bubbleNames: Record<Bubbles, string> = {
  none: 'No bubbles',
  froth: 'Froth',
  string: 'String of bubbles',
  slug: 'Slug of air',
}

type Props = {
  title: string
  /** About how much one pull brings, or one look, for the marks that are offered. */
  usualMl: number
  /** Pulls this look speaks for. */
  pulls?: number
  /** Of these, the ones whose bubbles and colour are asked for: the last. */
  lastPulls?: number
  /** Where the fluid in the bottle stands. */
  bottleMl: number
  likelyColour?: Colour
  /** Whether the fluid has been older here, and the next look may show the new one: its clean end then is one tap. */
  mayTurnNew?: boolean
  asks: { ml: boolean; colour: boolean }
  /** The scale under the bottle, where this screen weighs it: it says what came. */
  scale?: ScaleHere
  act: (act: FloorAct) => void
}

/** What the hose showed, by looking: the bottle's mark, the colour, and a tap on the bubbles records it. */
export function LookPanel({
  title,
  usualMl,
  pulls = 1,
  lastPulls = 1,
  bottleMl,
  likelyColour,
  mayTurnNew = false,
  asks,
  scale,
  act,
}: Props) {
  const show = useShow()
  const say = useSay()
  const unit = useUnits().volume
  const marks = lookMarks(bottleMl, usualMl, pulls, unit)
  const [byMarks, setByMarks] = useState(false)
  const weighed = byMarks ? undefined : scale?.dueMl
  const byScale = asks.ml && weighed !== undefined
  const settles = byScale && scale?.isStill !== true
  const [amount, setAmount] = useState<Amount>({ ml: marks.usual.addsMl })
  const { ml } = amount
  const [picked, setPicked] = useState(likelyColour)
  const colour = asks.colour ? picked : 'new'
  const toNew = asks.colour && mayTurnNew
  function record(bubbles: Bubbles, seen = colour) {
    if (!seen || settles) return
    const came = byScale ? { ml: weighed, weighed: true as const } : asks.ml ? amount : { ml: 0 }
    act({ type: 'pull-seen', ...came, colour: seen, bubbles })
  }
  const here = useRef<HTMLElement>(null)
  useNumberKeys(here, (n) => {
    const bubbles = bubbleKinds[n - 1]
    if (bubbles) record(bubbles)
    else if (toNew && n === bubbleKinds.length + 1) record('none', 'new')
  })
  return (
    <section ref={here} aria-label={title} className="grid gap-3">
      <h2 className="text-xl">{title}</h2>
      {byScale && (
        <div className="flex flex-wrap items-center justify-between gap-3 border-l-8 border-ink pl-3">
          <p className="text-2xl">
            By the scale <strong>{show('volume', weighed)}</strong>
            {settles && ', not still yet'}
          </p>
          <Button size="glove" onClick={() => setByMarks(true)}>
            Read the marks instead
          </Button>
        </div>
      )}
      {asks.ml && !byScale && (
        <fieldset>
          <legend className="field-label">The bottle stands at, {unit}: tap its mark</legend>
          <div className="flex gap-2 max-sm:flex-wrap">
            <div className="grid flex-1 items-end gap-1.5 max-sm:basis-full max-sm:grid-cols-4 sm:auto-cols-fr sm:grid-flow-col">
              {marks.all.map(({ markMl, addsMl }) => (
                <Mark
                  key={markMl}
                  markMl={markMl}
                  addsMl={addsMl}
                  on={addsMl === ml}
                  onClick={() => setAmount({ ml: addsMl })}
                />
              ))}
            </div>
            <AmountDialog
              trigger={
                marks.all.some(({ addsMl }) => addsMl === ml) ? 'other' : `+${show.number('volume', ml)}`
              }
              title="Another amount"
              label="How much came"
              button="Take this amount"
              onAmount={setAmount}
              className="min-w-[72px] px-2"
            />
          </div>
        </fieldset>
      )}
      {asks.colour && (
        <fieldset>
          <legend className="field-label">
            {lastPulls > 1 ? `Colour, the darkest of the last ${lastPulls} pulls` : 'Colour'}
          </legend>
          <div className="grid grid-cols-4 gap-1.5 sm:grid-cols-5">
            {colours.map((each) => (
              <Button
                key={each}
                size="glove"
                chosen={each === colour}
                onClick={() => setPicked(each)}
                className="px-0.5"
              >
                <span className="grid justify-items-center text-sm leading-tight">
                  <Swatch colour={each} /> {say(colourFact(each))}
                </span>
              </Button>
            ))}
          </div>
        </fieldset>
      )}
      <fieldset disabled={colour === undefined || settles}>
        <legend className="field-label">
          {settles
            ? 'The scale is not still yet'
            : colour === undefined
              ? 'Pick the colour, then the bubbles'
              : `Bubbles${lastPulls > 1 ? `, the worst of the last ${lastPulls} pulls` : ''}: a tap records it`}
        </legend>
        <div className={`grid grid-cols-2 gap-2 ${toNew ? 'sm:grid-cols-3' : 'sm:grid-cols-4'}`}>
          {bubbleKinds.map((bubbles, i) => (
            <Showed key={bubbles} number={i + 1} onClick={() => record(bubbles)}>
              <HosePicture bubbles={bubbles} /> {bubbleNames[bubbles]}
            </Showed>
          ))}
          {toNew && (
            <Showed
              number={bubbleKinds.length + 1}
              className="col-span-2"
              onClick={() => record('none', 'new')}
            >
              <Swatch colour="new" /> {bubbleNames.none}, {lowerFirst(say(colourFact('new')))}
            </Showed>
          )}
        </div>
      </fieldset>
    </section>
  )
}

type ShowedProps = { number: number; className?: string; onClick: () => void; children: ReactNode }

/** What the hose showed: a tap, or its number, records it. */
const Showed = ({ number, className = '', onClick, children }: ShowedProps) => (
  <Button
    size="glove"
    className={`relative flex-col justify-center gap-1 px-1 ${className}`}
    onClick={onClick}
  >
    {children}
    <span
      aria-hidden="true"
      className="absolute right-2 bottom-1 text-base font-normal text-quiet max-sm:hidden"
    >
      {number}
    </span>
  </Button>
)

/** The number keys pick by place, unless something is being typed or another sheet lies over it. */
function useNumberKeys(here: React.RefObject<HTMLElement | null>, onNumber: (n: number) => void) {
  const handler = useRef(onNumber)
  handler.current = onNumber
  useEffect(() => {
    function pick(event: KeyboardEvent) {
      const { target } = event
      if (!(target instanceof Element) || target.closest('input, textarea, select')) return
      const sheet = here.current?.closest('[role="dialog"]') ?? null
      if (target.closest('[role="dialog"]') !== sheet) return
      if (/^[1-9]$/.test(event.key) && !event.repeat) handler.current(Number(event.key))
    }
    window.addEventListener('keydown', pick)
    return () => window.removeEventListener('keydown', pick)
  }, [here])
}

/**
 * One mark of the bottle, laid on its side: the further right, the fuller. Its name holds what it shows, so that who says
 * a number to the browser has the mark that shows it.
 */
function Mark({
  markMl,
  addsMl,
  on,
  onClick,
}: {
  markMl: number
  addsMl: number
  on: boolean
  onClick: () => void
}) {
  const show = useShow()
  const unit = useUnits().volume
  return (
    <Button size="glove" chosen={on} onClick={onClick} className="relative flex-col gap-0 px-0 pt-4">
      <span aria-hidden="true" className="absolute top-0 left-1/2 h-3 w-1 -translate-x-1/2 bg-ink" />
      <span className="sr-only">At </span>
      <span className="text-xl leading-none font-extrabold">{show.number('volume', markMl)}</span>
      <span className="sr-only"> {unit}: </span>
      <span className="text-sm leading-none font-normal text-quiet">
        <span aria-hidden="true">+</span>
        {show.number('volume', addsMl)}
        <span className="sr-only"> {unit} more</span>
      </span>
    </Button>
  )
}
