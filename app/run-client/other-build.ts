import { BUILD, BUILD_HEADER } from '~/lib/build'

let other: string | undefined
const watchers = new Set<() => void>()

/** Take note of the build that an answer came from. An answer that names none came from something in between. */
export function heardFrom(response: Response): void {
  const build = response.headers.get(BUILD_HEADER)
  if (!build || build === BUILD || build === other) return
  other = build
  for (const watch of watchers) watch()
}

/** The build that the server is of, where it is not this page's. */
export const otherBuild = (): string | undefined => other
export const onOtherBuild = (watch: () => void): (() => void) => {
  watchers.add(watch)
  return () => watchers.delete(watch)
}
