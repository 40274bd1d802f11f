import { data, Form, redirect } from 'react-router'
import { useCab } from '~/client/cab/use-cab'
import { useAnnounce } from '~/client/heard/announce'
import { HeardButtons } from '~/client/heard/heard-buttons'
import { Button } from '~/ui/button'
import { type CabLanguageId, cabLanguageIds, cabLanguages } from '~core/words/cab'
import { type CabLanguage, confirmIn, meaningIn, refusalIn } from '~core/words/cab/language'
import { cabLanguageOf, languageCookie } from '~server/http/cab.server'
import { linkHere } from '~server/http/cab-link.server'
import { database } from '~server/http/context.server'
import { phoneSent } from '~server/live/hub.server'
import type { Route } from './+types/cab-screen'
import { CabPicture } from './picture'
import { PumpCount } from './pump-count'

export async function loader({ request, context }: Route.LoaderArgs) {
  const link = await linkHere(context.get(database), request).catch(() => {
    throw redirect('/cab')
  })
  const view = await link.view()
  if (!view) throw redirect('/cab')
  phoneSent(link.key, view.turn)
  return { view, language: cabLanguageOf(request) }
}

export async function action({ request }: Route.ActionArgs) {
  const id = cabLanguageIds.find((each) => each === new URL(request.url).searchParams.get('language'))
  return data(null, id ? { headers: { 'Set-Cookie': languageCookie(id) } } : undefined)
}

/** The helper's whole screen: one word, one picture, one button. */
export default function CabScreen({ loaderData }: Route.ComponentProps) {
  const { view, link, sending, act, refusal, staysAwake } = useCab(loaderData.view)
  const words = cabLanguages[loaderData.language]
  const lost = link === 'lost' && view.says !== 'ended'
  const word = lost ? words.lost.says : words.says[view.says]
  useAnnounce({
    channel: 'cab',
    says: word,
    signal: lost ? 'lost' : view.says,
    language: words.tag,
    vibrates: true,
  })
  const urgent = lost || view.says === 'hold' || view.says === 'press'
  return (
    <main
      lang={words.tag}
      dir={words.dir}
      className="mx-auto grid min-h-dvh max-w-xl grid-rows-[auto_1fr_auto] gap-3 p-4"
    >
      <title>{`${view.plate} · Cab`}</title>
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="plate text-4xl">{view.plate}</span>
        {view.bay && <strong className="text-2xl wrap-anywhere">{view.bay}</strong>}
        <span role="status" className={`ms-auto text-lg ${link === 'linked' ? '' : 'font-extrabold'}`}>
          {link === 'linked'
            ? `● ${words.linked}`
            : link === 'late'
              ? `◐ ${words.late}`
              : `○ ${words.noLink}`}
        </span>
      </header>
      <section
        aria-live="assertive"
        className={`relative grid content-center justify-items-center gap-3 border-4 p-4 text-center ${urgent ? 'border-oxide bg-oxide text-on-oxide' : 'border-ink bg-enamel'} ${lost ? 'hatched' : ''}`}
      >
        {/* Anew at every word: seen from the corner of an eye. */}
        <span key={word} aria-hidden="true" className="cab-flash" />
        <CabPicture
          says={lost ? 'hold' : view.says}
          pedal={view.pedal}
          namesPedal={view.namesPedal}
          task={lost ? undefined : view.task}
        />
        <h1 className="text-[clamp(3rem,17vw,6rem)] leading-none font-extrabold">{word}</h1>
        <p className="text-xl font-semibold">{lost ? words.lost.means : meaningIn(words, view)}</p>
        {!lost && view.says === 'press' && view.pumps > 0 && <PumpCount key={view.turn} pumps={view.pumps} />}
        {!lost && <p className="text-lg">{words.wheel[view.wheel]}</p>}
      </section>
      <footer className="grid gap-3">
        {refusal && !lost && (
          <p role="alert" className="fault">
            {refusalIn(words, refusal.code)}
          </p>
        )}
        {view.confirm && !lost && (
          <Button
            disabled={sending}
            onClick={() => view.confirm && void act(view.confirm)}
            main
            className="min-h-[112px] text-3xl"
          >
            {confirmIn(words, view.confirm, view.pumps)}
          </Button>
        )}
        {view.maySlip && !lost && (
          <Button onClick={() => void act('foot-slipped')} size="glove" alarm className="text-xl">
            ✗ {words.confirms['foot-slipped']}
          </Button>
        )}
        <HeardButtons words={words.heard} language={words.tag} />
        <Form method="post" className="flex flex-wrap items-center justify-between gap-2">
          <span className="max-w-[60%] text-sm text-quiet">{!staysAwake && words.staysOn}</span>
          <Languages now={loaderData.language} />
        </Form>
      </footer>
    </main>
  )
}

/** Every language by its own name; one that no speaker has read through says so. */
function Languages({ now }: { now: CabLanguageId }) {
  return (
    <details className="ms-auto">
      <summary className="px-3 font-semibold">{cabLanguages[now].name}</summary>
      <ul className="grid gap-1">
        {cabLanguageIds.map((id) => {
          const { name, tag, dir, unchecked }: CabLanguage = cabLanguages[id]
          return (
            <li key={id} lang={tag} dir={dir}>
              <button
                type="submit"
                formAction={`/cab/screen?language=${id}`}
                aria-pressed={id === now}
                className={`grid min-h-12 w-full px-3 text-start ${id === now ? 'bg-ink text-paper' : ''}`}
              >
                <span className="font-semibold underline">{name}</span>
                {unchecked && <span className="text-sm">{unchecked}</span>}
              </button>
            </li>
          )
        })}
      </ul>
    </details>
  )
}
