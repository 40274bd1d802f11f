import { useEffect } from 'react'
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useRouteLoaderData,
} from 'react-router'
import type { Route } from './+types/root'
import './app.css'
import { personHere, unitsHere } from '~server/http/context.server'
import { signedIn } from '~server/http/who.server'
import { FaultPage } from './components/fault-page'
import { useNonce } from './lib/nonce'
import { readTheme } from './lib/theme'
import { setZone, zoneHere } from './lib/zone'

export const links: Route.LinksFunction = () => [{ rel: 'icon', href: '/favicon.svg', type: 'image/svg+xml' }]

export const middleware: Route.MiddlewareFunction[] = [signedIn]

export function loader({ request, context }: Route.LoaderArgs) {
  const person = context.get(personHere) ?? undefined
  return { theme: readTheme(request), person, units: context.get(unitsHere), zone: zoneHere() }
}

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useNonce()
  const data = useRouteLoaderData<typeof loader>('root')
  if (data) setZone(data.zone)
  // A page that has not been taken over yet looks the same and does not answer: what drives it can see that.
  useEffect(() => {
    document.documentElement.dataset.answers = ''
  }, [])
  return (
    <html lang="en" data-theme={data?.theme === 'system' ? undefined : data?.theme}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  )
}

export default function App() {
  return <Outlet />
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  if (!isRouteErrorResponse(error)) return <FaultPage status={500} />
  return <FaultPage status={error.status} sentence={(error.data as { sentence?: string } | null)?.sentence} />
}
