/** What a pure function made of an object, kept as long as that object: the same vehicle is asked for its runs at every act. */
export function perObject<K extends object, V>(make: (key: K) => V): (key: K) => V {
  const made = new WeakMap<K, { value: V }>()
  return (key) => {
    const known = made.get(key)
    if (known) return known.value
    const value = make(key)
    made.set(key, { value })
    return value
  }
}
