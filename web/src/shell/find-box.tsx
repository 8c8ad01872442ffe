import type { FindHit } from '@exemplar/core'
import { Search } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { useDeferredValue, useState } from 'react'
import { useNavigate } from 'react-router'
import { useFindQuery } from '../foundation/api/api.ts'

const KIND_NAMES: Record<FindHit['kind'], string> = {
  unit: 'Thing',
  stock: 'Stock',
  setup: 'Setup',
  booking: 'Booking',
  person: 'Person',
  place: 'Place',
  party: 'Vendor or lender',
  action: 'Do it',
}

/** Find anything from anywhere, by keyboard alone, typing errors forgiven. A whole tag followed by Enter opens it. */
export function FindBox({ open, onOpenChange }: { open: boolean; onOpenChange(open: boolean): void }) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Trigger className="flex h-[30px] w-full max-w-[420px] items-center gap-2 border-b border-rule-strong text-left text-[13px] text-quiet">
        <Search className="size-[15px]" aria-hidden />
        <span className="truncate">Find anything</span>
        <kbd className="ml-auto hidden rounded-paper border border-rule-strong px-1 font-mono text-[11px] md:block">
          /
        </kbd>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[#161815]/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-0 left-1/2 z-50 w-full max-w-[560px] -translate-x-1/2 border border-rule-strong bg-sheet md:top-[8vh]"
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          <FindPanel onDone={() => onOpenChange(false)} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function FindPanel({ onDone }: { onDone(): void }) {
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const wanted = useDeferredValue(text.trim())
  const { data, isFetching } = useFindQuery(wanted, { skip: wanted === '' })
  const navigate = useNavigate()
  const hits = wanted === '' ? [] : (data?.hits ?? [])
  const open = (hit: FindHit | undefined) => {
    if (!hit) return
    navigate(hit.path)
    onDone()
  }
  return (
    <div>
      <input
        role="combobox"
        aria-expanded={hits.length > 0}
        aria-controls="find-hits"
        aria-label="Find"
        aria-activedescendant={hits[at] ? `hit-${hits[at].key}` : undefined}
        autoComplete="off"
        className="h-12 w-full border-b border-rule bg-sheet px-4 text-[15px] outline-none"
        placeholder="Tag, name, setup, booking, place, or what to do …"
        value={text}
        onChange={(event) => {
          setText(event.target.value)
          setAt(0)
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt((it) => Math.min(it + 1, hits.length - 1))
          else if (event.key === 'ArrowUp') setAt((it) => Math.max(it - 1, 0))
          else if (event.key === 'Enter') open(hits[at])
          else return
          event.preventDefault()
        }}
      />
      <div id="find-hits" role="listbox" aria-label="Found" className="max-h-[60vh] overflow-y-auto py-1">
        {hits.map((hit, index) => (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the combobox above handles the keys
          <div
            key={hit.key}
            id={`hit-${hit.key}`}
            role="option"
            tabIndex={-1}
            aria-selected={index === at}
            className="flex cursor-pointer items-center gap-3 px-4 py-2 aria-selected:bg-wash"
            onClick={() => open(hit)}
          >
            <span className="min-w-0 flex-1 truncate">
              {hit.title} <span className="text-quiet">{hit.text}</span>
            </span>
            <span className="text-[12px] text-quiet">{KIND_NAMES[hit.kind]}</span>
          </div>
        ))}
      </div>
      {wanted !== '' && !isFetching && hits.length === 0 && (
        <p role="status" className="px-4 pb-4 text-quiet">
          Nothing is called “{wanted}”.
        </p>
      )}
    </div>
  )
}
