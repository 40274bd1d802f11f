/** One block of the record. */
export function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section>
      <h2 className="mb-1 border-b border-rule">{title}</h2>
      {children}
    </section>
  )
}

export function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <p className="grid grid-cols-[9rem_1fr] gap-2">
      <span className="text-quiet">{name}</span> <span className="wrap-anywhere">{children}</span>
    </p>
  )
}
