import { type ReactNode, useState } from 'react'

/** Fields that not everybody fills in, one push away. Opened, by hand or for a problem among them, they stay so when that is mended. */
export function MoreFields({
  summary,
  hasProblem,
  children,
}: {
  summary: string
  hasProblem: boolean
  children: ReactNode
}) {
  const [isOpen, setOpen] = useState(false)
  return (
    <details open={isOpen || hasProblem} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="text-[13px] font-semibold">{summary}</summary>
      <div className="mt-3 grid gap-3">{children}</div>
    </details>
  )
}
