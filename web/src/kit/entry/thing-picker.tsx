import { CATEGORIES, type Category, LIFE_STATES } from '@exemplar/core'
import { useDeferredValue, useRef, useState } from 'react'
import { useThingsQuery } from '../../foundation/api/api.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { ThingPicture } from '../../foundation/parts/thing-picture.tsx'

export type Picked = { tag: string; name: string } & ({ unitId: string } | { stockId: string; quantity: number })

/** Choose a thing, or some of a stock, by typing part of its name or tag; a role's own kind comes first. */
export function ThingPicker({
  wants,
  taken,
  onPick,
  withStock = true,
  act = { short: 'Put in', say: (tag) => `Put ${tag} in` },
}: {
  wants: Category | null
  taken: ReadonlySet<string>
  onPick(picked: Picked): void
  withStock?: boolean
  /** What picking does, on the button and for who hears it. */
  act?: { short: string; say(tag: string): string }
}) {
  const [text, setText] = useState('')
  const input = useRef<HTMLInputElement>(null)
  /** The button that was pressed goes with its row; the hands go back to where the next name is typed. */
  const pick = (picked: Picked) => {
    onPick(picked)
    input.current?.focus()
    input.current?.select()
  }
  const [isNarrow, setNarrow] = useState(wants !== null)
  const find = useDeferredValue(text)
  const { data } = useThingsQuery({ find, ...(isNarrow && wants ? { category: wants } : {}) })
  return (
    <div className="border border-rule p-3">
      <div className="flex flex-wrap items-center gap-3">
        <input
          ref={input}
          type="search"
          aria-label="Find a thing"
          placeholder="Tag or name"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="h-8 min-w-48 flex-1 border-b border-rule-strong bg-transparent text-[14px]"
        />
        {wants && (
          <label className="flex items-center gap-1.5 text-[12px]">
            <input
              type="checkbox"
              className="size-4 accent-(--ink)"
              checked={isNarrow}
              onChange={(event) => setNarrow(event.target.checked)}
            />
            only {CATEGORIES[wants].label.toLowerCase()}
          </label>
        )}
      </div>
      <ul className="mt-2 max-h-52 overflow-y-auto">
        {data?.units
          .filter((it) => !taken.has(it.id))
          .map((it) => (
            <li key={it.id} className="flex items-center gap-2 border-b border-rule py-1 text-[13px]">
              <ThingPicture id={it.id} category={it.category} className="size-6 sm:size-8" />
              <Tag>{it.tag}</Tag>
              <span className="min-w-0 flex-1 truncate">
                {it.maker} {it.name}
                {!LIFE_STATES[it.state].usable && (
                  <span className="text-stop"> · {LIFE_STATES[it.state].label.toLowerCase()}</span>
                )}
              </span>
              <Button
                size="small"
                aria-label={act.say(it.tag)}
                onClick={() => pick({ unitId: it.id, tag: it.tag, name: `${it.maker} ${it.name}`.trim() })}
              >
                {act.short}
              </Button>
            </li>
          ))}
        {(withStock ? (data?.stock ?? []) : []).map((it) => (
          <li key={it.id} className="flex items-center gap-2 border-b border-rule py-1 text-[13px]">
            <ThingPicture id={null} category={it.category} className="size-6 sm:size-8" />
            <Tag>{it.tag}</Tag>
            <span className="min-w-0 flex-1 truncate">
              {it.name} <span className="text-quiet">· {it.quantity} in stock</span>
            </span>
            <Button
              size="small"
              aria-label={`Put one ${it.tag} in`}
              onClick={() => pick({ stockId: it.id, quantity: 1, tag: it.tag, name: it.name })}
            >
              Put one in
            </Button>
          </li>
        ))}
        {data && data.units.length + data.stock.length === 0 && (
          <li className="py-2 text-[13px] text-quiet">Nothing of that name is in the kit.</li>
        )}
      </ul>
    </div>
  )
}
