/** A few results side by side, each with its unit and what it means. */
export function Figures({ figures }: { figures: { name: string; value: string; note?: string }[] }) {
  return (
    <dl className="grid auto-cols-fr gap-px border border-rule bg-rule sm:grid-flow-col">
      {figures.map(({ name, value, note }) => (
        <div key={name} className="flex flex-col bg-sheet p-3">
          <dt className="text-quiet">{name}</dt>
          <dd className="order-first text-2xl font-extrabold">{value}</dd>
          {note && <dd className="text-sm text-quiet">{note}</dd>}
        </div>
      ))}
    </dl>
  )
}
