/** A thin bar against a tick that marks the limit, with both figures in words beside it. */
export function Gauge({
  share,
  limitShare,
  text,
  tone,
}: {
  share: number
  limitShare: number
  text: string
  tone: string
}) {
  return (
    <div className="my-1 grid grid-cols-[1fr_auto] items-center gap-2">
      <div className="relative h-[7px] border-b border-rule-strong bg-wash" aria-hidden>
        <i className="absolute inset-y-0 left-0" style={{ width: `${share * 100}%`, background: `var(--${tone})` }} />
        <u
          className="absolute -top-[3px] -bottom-[4px] w-[2px] bg-ink"
          style={{ left: `calc(${limitShare * 100}% - 2px)` }}
        />
      </div>
      <span className="figures">{text}</span>
    </div>
  )
}
