type Holder = Record<string, number>

/** The numbers of an object, however deep: the path of each, and where it is held. */
export const leavesOf = (
  holder: object,
  path: readonly string[] = [],
): [name: string, holder: Holder, key: string][] =>
  Object.entries(holder).flatMap(([key, value]) =>
    typeof value === 'number'
      ? [[[...path, key].join('.'), holder as Holder, key] as [string, Holder, string]]
      : leavesOf(value, [...path, key]),
  )
