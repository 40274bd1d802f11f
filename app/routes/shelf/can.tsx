/** A container with how full it is; a sealed one has its cap on, a hatched one is past the shop's rule. */
export function Can({
  share,
  opened,
  past,
  label,
}: {
  share: number
  opened: boolean
  past: boolean
  label: string
}) {
  const full = Math.min(1, Math.max(0, share))
  const top = 16 + 38 * (1 - full)
  return (
    <svg viewBox="0 0 40 60" className="h-20 w-14 flex-none" role="img" aria-label={label}>
      <rect
        x="5"
        y={top}
        width="30"
        height={54 - top}
        className={past ? 'fill-rule' : 'fill-quiet opacity-60'}
      />
      <path d="M5 16H35V54H5Z" fill="none" className="stroke-ink" strokeWidth="3" />
      <path d="M14 16V9H26V16" fill="none" className="stroke-ink" strokeWidth="3" />
      {!opened && <rect x="12" y="3" width="16" height="7" className="fill-ink" />}
      {past && <path d="M5 16L35 54M35 16L5 54" className="stroke-oxide" strokeWidth="3" />}
    </svg>
  )
}

/** A waste drum with how full it is. */
export function DrumPicture({ share, label }: { share: number; label: string }) {
  const top = 10 + 60 * (1 - Math.min(1, Math.max(0, share)))
  return (
    <svg viewBox="0 0 60 80" className="h-28 w-20 flex-none" role="img" aria-label={label}>
      <rect x="6" y={top} width="48" height={70 - top} className="fill-quiet opacity-60" />
      <path d="M6 10H54V70H6Z" fill="none" className="stroke-ink" strokeWidth="3" />
      <path d="M6 30H54M6 50H54" className="stroke-ink" strokeWidth="1.5" />
      <path d="M36 10V4H44V10" fill="none" className="stroke-ink" strokeWidth="3" />
    </svg>
  )
}
