import type { ShouldRevalidateFunction } from 'react-router'

/** Where only what stands after the question mark changes, and the page itself works with that, nothing is fetched anew. */
export const keepLoaded: ShouldRevalidateFunction = ({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}) => {
  const acted = formMethod !== undefined && formMethod !== 'GET'
  const searchAlone = currentUrl.pathname === nextUrl.pathname && currentUrl.search !== nextUrl.search
  return searchAlone && !acted ? false : defaultShouldRevalidate
}
