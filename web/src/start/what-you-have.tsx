import { CATEGORIES, GROUPS, type Group, STARTER_MODELS } from '@exemplar/core'
import { useState } from 'react'
import { TextField } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Silhouette } from '../foundation/parts/silhouette.tsx'
import { GROUP_NAMES } from '../setups/setup-draft.ts'

const groupOf = (it: (typeof STARTER_MODELS)[number]): Group => CATEGORIES[it.category].group
const MOST = 60

const isNamed = (name: string, typed: string) =>
  typed
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => name.toLowerCase().includes(word))

/** Common things with a drawing each, and how many of it there are. */
export function WhatYouHave({
  counts,
  onChange,
}: {
  counts: Readonly<Record<string, number>>
  onChange(counts: Record<string, number>): void
}) {
  const [group, setGroup] = useState<Group>('camera')
  const [find, setFind] = useState('')
  const shown = STARTER_MODELS.filter((it) => (find.trim() ? isNamed(it.name, find) : groupOf(it) === group))
  const set = (name: string, count: number) => {
    const { [name]: _before, ...rest } = counts
    onChange(count > 0 ? { ...rest, [name]: Math.min(MOST, count) } : rest)
  }
  const countIn = (of: Group) =>
    STARTER_MODELS.reduce((sum, it) => sum + (groupOf(it) === of ? (counts[it.name] ?? 0) : 0), 0)
  return (
    <div className="pt-3">
      <TextField label="Find by name" type="search" value={find} onChange={(event) => setFind(event.target.value)} />
      <fieldset className="mt-3 flex flex-wrap gap-2">
        <legend className="sr-only">Groups</legend>
        {GROUPS.map((it) => (
          <Button
            key={it}
            aria-pressed={!find.trim() && it === group}
            className="aria-pressed:outline-2 aria-pressed:outline-ink"
            onClick={() => {
              setFind('')
              setGroup(it)
            }}
          >
            {GROUP_NAMES[it]}
            {countIn(it) > 0 && <span className="figures">{countIn(it)}</span>}
          </Button>
        ))}
      </fieldset>
      <ul className="mt-2">
        {shown.map((it) => (
          <li key={it.name} className="flex min-h-16 items-center gap-4 border-b border-rule py-2">
            <Silhouette category={it.category} />
            <span className="min-w-0 flex-1">
              <span className="block text-[15px] font-semibold">{it.name}</span>
              <span className="text-[13px] text-quiet">{CATEGORIES[it.category].label.toLowerCase()}</span>
            </span>
            <Stepper name={it.name} count={counts[it.name] ?? 0} onChange={(count) => set(it.name, count)} />
          </li>
        ))}
        {shown.length === 0 && (
          <li className="py-3 text-[13px] text-quiet">
            Nothing of that name is among the common things. It can be added by its own name afterwards.
          </li>
        )}
      </ul>
    </div>
  )
}

function Stepper({ name, count, onChange }: { name: string; count: number; onChange(count: number): void }) {
  return (
    <span className="flex items-stretch border border-rule-strong">
      <button
        type="button"
        className="size-10 text-[18px] disabled:text-quiet"
        aria-label={`One ${name} less`}
        disabled={count === 0}
        onClick={() => onChange(count - 1)}
      >
        −
      </button>
      <span className="figures grid w-10 place-items-center bg-ground text-[15px] font-semibold" aria-live="polite">
        {count}
        <span className="sr-only"> of {name}</span>
      </span>
      <button
        type="button"
        className="size-10 text-[18px]"
        aria-label={`One ${name} more`}
        disabled={count >= MOST}
        onClick={() => onChange(count + 1)}
      >
        +
      </button>
    </span>
  )
}
