import { Link, NavLink, Outlet, useFetcher, useLocation, useRouteLoaderData } from 'react-router'
import type { loader as rootLoader } from '~/root'
import { LeftBehind } from './left-behind'

const places = [
  { to: '/', name: 'Yard' },
  { to: '/vehicles', name: 'Vehicles' },
  { to: '/due', name: 'Due' },
  { to: '/shelf', name: 'Shelf' },
  { to: '/logbook', name: 'Logbook' },
  { to: '/find', name: 'Faults' },
  { to: '/bench', name: 'Bench' },
  { to: '/people', name: 'People' },
  { to: '/settings', name: 'Shop' },
]

export default function Shell() {
  return (
    <>
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-10 focus:bg-enamel focus:p-3"
      >
        To the content
      </a>
      <header className="flex flex-wrap items-center gap-x-2 border-b-4 border-oxide bg-sheet px-5 max-md:px-2 xl:gap-x-6 print:hidden">
        <NavLink
          to="/"
          className="flex min-w-11 items-center gap-2 py-2 text-lg font-extrabold text-ink no-underline"
        >
          <Mark />
          <span className="max-md:sr-only">Ruddy Siphon</span>
        </NavLink>
        <PlacesMenu />
        <nav aria-label="Places" className="hidden flex-wrap md:flex">
          {places.map(({ to, name }) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/'}
              className={({ isActive }) =>
                `flex min-h-12 items-center px-2.5 font-semibold xl:px-4 no-underline ${isActive ? 'bg-oxide text-on-oxide' : 'text-ink hover:bg-oxide-wash'}`
              }
            >
              {name}
            </NavLink>
          ))}
        </nav>
        <ThemeSwitch />
        <WhoHere />
      </header>
      <main id="main" className="mx-auto max-w-[1440px] p-5">
        <LeftBehind />
        <Outlet />
      </main>
    </>
  )
}

/**
 * On a phone the places take one button: their row would be a third of it. The browser's own popover, since this is on
 * every first screen; another page closes it.
 */
function PlacesMenu() {
  const { pathname } = useLocation()
  const here = places.findLast(({ to }) => pathname.startsWith(to))?.name
  return (
    <div key={pathname} className="md:hidden">
      <button
        type="button"
        popoverTarget="places"
        className="flex min-h-14 items-center gap-2 px-3 text-lg font-bold"
      >
        {here ?? 'Places'} <span aria-hidden="true">▾</span>
        <span className="sr-only">: other places</span>
      </button>
      <nav
        id="places"
        popover="auto"
        aria-label="Places"
        className="inset-auto top-15 left-2 m-0 border-2 border-ink bg-sheet shadow-[4px_4px_0_var(--color-rule)]"
      >
        {places.map(({ to, name }) => (
          <Link
            key={to}
            to={to}
            className="flex min-h-[56px] min-w-48 items-center px-4 text-lg font-semibold text-ink no-underline hover:bg-oxide-wash"
          >
            {name}
          </Link>
        ))}
      </nav>
    </div>
  )
}

/** A siphon: one leg in the old, the bend below, the other leg up to the new. */
function Mark() {
  return (
    <svg viewBox="0 0 32 32" className="size-8" aria-hidden="true">
      <rect width="32" height="32" rx="4" className="fill-oxide" />
      <path d="M8 6v13a8 8 0 0 0 16 0V12M24 4v4" fill="none" strokeWidth="4" className="stroke-on-oxide" />
    </svg>
  )
}

/** Who is at this screen, and the way for somebody else to take it. */
function WhoHere() {
  const person = useRouteLoaderData<typeof rootLoader>('root')?.person
  const { pathname } = useLocation()
  return (
    <a
      href={`/who?to=${encodeURIComponent(pathname)}`}
      className="flex min-h-12 items-center gap-2 px-3 font-semibold text-ink"
    >
      <span aria-hidden="true">●</span> {person?.name ?? 'Who is here?'}
    </a>
  )
}

function ThemeSwitch() {
  const fetcher = useFetcher()
  const theme = useRouteLoaderData<typeof rootLoader>('root')?.theme ?? 'system'
  const next = { system: 'dark', dark: 'light', light: 'system' }[theme]
  const names = { system: 'as the device', dark: 'dark', light: 'light' }
  return (
    <fetcher.Form method="post" action="/settings" className="ml-auto">
      <input type="hidden" name="theme" value={next} />
      <button
        type="submit"
        name="intent"
        value="theme"
        className="min-h-12 min-w-12 px-3 font-semibold underline"
      >
        <span className="max-xl:sr-only">Light: {names[theme]}</span>
        <span className="xl:hidden" aria-hidden="true">
          ◐
        </span>
      </button>
    </fetcher.Form>
  )
}
