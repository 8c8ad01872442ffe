import type { Category } from '@exemplar/core'
import { TextField } from '../../foundation/form/field.tsx'
import { KindField } from './kind-field.tsx'
import { type WhatItIs, WhatItIsFields } from './what-it-is.tsx'

/** What kind of thing something that is not here yet would be, and what it is called. */
export function KindAndName({
  it,
  isKindSaid,
  problem,
  hasFocus = true,
  onKind,
}: {
  it: WhatItIs
  isKindSaid: boolean
  /** What the server said of its name. */
  problem: string | undefined
  hasFocus?: boolean
  /** A kind was chosen, or a common thing with its kind. */
  onKind(): void
}) {
  return (
    <div className="grid gap-3 md:grid-cols-2">
      <KindField
        label="Kind of thing"
        autoFocus={hasFocus}
        value={isKindSaid ? it.category : ''}
        onChange={(kind: Category) => {
          it.setCategory(kind)
          onKind()
        }}
        onStarter={(name) => {
          it.takeStarter(name)
          onKind()
        }}
      />
      <TextField
        label="What it is called"
        value={it.name}
        problem={it.problems.name ?? problem}
        onChange={(event) => it.setName(event.target.value)}
      />
    </div>
  )
}

/** What is told of something that is not here yet: what it is judged by. `fields` is what the server said, each at `it/…`. */
export function ToldFields({ it, fields }: { it: WhatItIs; fields: Record<string, string> | undefined }) {
  // `it/facts/mount` stands at the field `facts/mount`.
  const own = Object.fromEntries(Object.entries(fields ?? {}).map(([key, text]) => [key.replace(/^it\//, ''), text]))
  return (
    <div className="grid gap-3 border-l-4 border-rule pl-3">
      <p className="text-[12px] text-quiet">
        What is told here is what it is judged by. What nobody knows yet may stay open, and is asked.
      </p>
      <WhatItIsFields it={it} problems={own} />
    </div>
  )
}
