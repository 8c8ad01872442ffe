import { ACQUISITION_CODES, type Acquisition, bundleSchema, formatMoney, priceBundle } from '@exemplar/core'
import { type RefObject, useEffect, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { CheckField, FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { AcquisitionOptions, PartyOptions, PlaceOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { PageHead } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { KindField } from '../entry/kind-field.tsx'
import { useWhatItIs, type WhatItIs, WhatItIsFields } from '../entry/what-it-is.tsx'
import { useReceiveBundleMutation } from '../kit-api.ts'

interface PartRow {
  id: string
  isNamed: boolean
  quantity: string
  isThere: boolean
  aloneMinor: number | null
}

const makePart = (): PartRow => ({
  id: crypto.randomUUID(),
  isNamed: false,
  quantity: '1',
  isThere: true,
  aloneMinor: null,
})

/** One purchase that came as several things: what truly was in the box, and what each of it cost. */
export function BundlePage() {
  const { today } = useTimeWords()
  const { data: studio } = useStudioQuery()
  const [receive, { error, isLoading }] = useReceiveBundleMutation()
  const run = useTold()
  const navigate = useNavigate()
  const [parts, setParts] = useState<PartRow[]>([makePart(), makePart()])
  const [draft, setDraft] = useState({
    title: '',
    maker: '',
    priceMinor: 0,
    taxMinor: 0,
    on: '',
    partyId: '',
    placeId: '',
    acquisition: 'bought-new' as Acquisition,
    staysTogether: true,
  })
  const [problem, setProblem] = useState<string | null>(null)
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const setPart = (id: string, part: Partial<PartRow>) =>
    setParts(parts.map((it) => (it.id === id ? { ...it, ...part } : it)))
  const named = parts.filter((it) => it.isNamed)
  /** What is typed about each part, where it is typed. */
  const told = useRef(new Map<string, WhatItIs>())
  const readParts = () =>
    named.map(({ id, quantity, isThere, aloneMinor }) => {
      const it = told.current.get(id)
      const read = it?.read() ?? null
      if (!it || !read) return null
      const { category, name } = it
      return { category, maker: draft.maker, name, quantity: Number(quantity) || 0, isThere, aloneMinor, ...read }
    })
  const prices = priceBundle({
    priceMinor: draft.priceMinor,
    parts: named.map((it) => ({ ...it, quantity: Math.min(500, Number(it.quantity) || 0) })),
  })
  const fields = error ? readProblem(error).fields : {}
  const say = (minor: number) => formatMoney(minor, studio?.currency ?? 'GBP', 'column')
  return (
    <>
      <PageHead title="Take in a bundle" aside="one price, several things" />
      <form
        className="grid grid-cols-1 gap-4 px-4 pt-3 pb-8 md:px-5"
        onSubmit={(event) => {
          event.preventDefault()
          const read = readParts()
          if (read.some((it) => it === null)) return
          const { maker: _, ...rest } = draft
          const reading = bundleSchema.safeParse({
            ...rest,
            on: draft.on || today,
            partyId: draft.partyId || null,
            placeId: draft.placeId || null,
            parts: read,
          })
          if (!reading.success) {
            setProblem(reading.error.issues[0]?.message ?? null)
            return
          }
          setProblem(null)
          const missing = reading.data.parts.filter((it) => !it.isThere).length
          run(
            receive(reading.data)
              .unwrap()
              .then(() => navigate('/kit?sort=acquired')),
            missing > 0 ? `It is in the kit; ${missing} to buy or ask for.` : 'It is in the kit.',
          )
        }}
      >
        <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
          <TextField
            label="What was bought"
            autoFocus
            placeholder="Two-light kit"
            value={draft.title}
            onChange={(event) => set({ title: event.target.value })}
          />
          <TextField label="Maker" value={draft.maker} onChange={(event) => set({ maker: event.target.value })} />
          <MoneyField
            label="Price, net"
            value={draft.priceMinor}
            onChange={(minor) => set({ priceMinor: minor ?? 0 })}
          />
          <MoneyField label="Tax" value={draft.taxMinor} onChange={(minor) => set({ taxMinor: minor ?? 0 })} />
          <TextField
            label="On"
            type="date"
            value={draft.on || today}
            onChange={(event) => set({ on: event.target.value })}
          />
          <SelectField
            label="How it came"
            value={draft.acquisition}
            onChange={(event) =>
              set({ acquisition: ACQUISITION_CODES.find((it) => it === event.target.value) ?? 'bought-new' })
            }
          >
            <AcquisitionOptions />
          </SelectField>
          <SelectField
            label="From whom"
            value={draft.partyId}
            onChange={(event) => set({ partyId: event.target.value })}
          >
            <PartyOptions none="Not recorded" />
          </SelectField>
          <SelectField
            label="Where it goes"
            value={draft.placeId}
            onChange={(event) => set({ placeId: event.target.value })}
          >
            <PlaceOptions none="Not known yet" />
          </SelectField>
        </div>
        <fieldset className="min-w-0">
          <legend className="mb-1 text-[13.5px] font-semibold">What was said to be in the box</legend>
          <ol className="grid gap-3">
            {parts.map((part, at) => (
              <BundlePart
                key={part.id}
                at={at}
                part={part}
                share={sayShare(part, prices[named.indexOf(part)] ?? [], say)}
                told={told}
                problems={readFieldsOf(fields, named.indexOf(part))}
                onChange={(own) => setPart(part.id, own)}
                onRemove={() => setParts(parts.filter((it) => it.id !== part.id))}
              />
            ))}
          </ol>
          <Button size="small" className="mt-2" onClick={() => setParts([...parts, makePart()])}>
            Add a part
          </Button>
        </fieldset>
        <CheckField
          label="They go with the first of them from now on"
          checked={draft.staysTogether}
          onChange={(event) => set({ staysTogether: event.target.checked })}
        />
        <p className="max-w-[75ch] text-[13px] text-quiet">
          The price is split by what the parts cost alone, to the penny; where nobody says, all count alike. What was
          not in the box goes on the shopping list. What was bought is written into the ledger.
        </p>
        <FormProblem text={problem ?? (error ? readProblem(error).detail : null)} />
        <Button look="act" type="submit" className="w-fit" disabled={isLoading}>
          Take it in
        </Button>
      </form>
    </>
  )
}

function sayShare({ isThere }: PartRow, own: readonly number[], say: (minor: number) => string): string {
  if (!isThere) return 'to buy'
  if (own.length === 0) return '–'
  // A penny that does not divide makes two prices of one.
  const prices = [...new Set(own)].map((minor) => {
    const pieces = own.filter((it) => it === minor).length
    return own.length > 1 ? `${pieces} × ${say(minor)}` : say(minor)
  })
  return prices.join(', ')
}

/** What the server said about one part, by the field of that part. */
function readFieldsOf(fields: Record<string, string>, at: number): Record<string, string> {
  const start = `parts/${at}/`
  return Object.fromEntries(
    Object.entries(fields).flatMap(([key, text]) => (key.startsWith(start) ? [[key.slice(start.length), text]] : [])),
  )
}

/** One part: the same questions as for a thing that is entered by itself, and its share of the price. */
function BundlePart({
  at,
  part,
  share,
  told,
  problems,
  onChange,
  onRemove,
}: {
  at: number
  part: PartRow
  share: string
  told: RefObject<Map<string, WhatItIs>>
  problems: Record<string, string>
  onChange(part: Partial<PartRow>): void
  onRemove(): void
}) {
  const it = useWhatItIs('light')
  useEffect(() => {
    const all = told.current
    all.set(part.id, it)
    return () => void all.delete(part.id)
  })
  const setName = (name: string) => {
    it.setName(name)
    onChange({ isNamed: name.trim() !== '' })
  }
  return (
    <li className="grid gap-3 border-l-4 border-rule py-1 pl-3">
      <div className="grid grid-cols-1 items-end gap-3 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_5rem_9rem_auto]">
        <KindField
          label={`Kind of part ${at + 1}`}
          value={it.category}
          onChange={it.setCategory}
          onStarter={(name) => {
            it.takeStarter(name)
            onChange({ isNamed: true })
          }}
        />
        <TextField
          label={`Name of part ${at + 1}`}
          value={it.name}
          problem={it.problems.name ?? problems.name}
          onChange={(event) => setName(event.target.value)}
        />
        <TextField
          label="How many"
          aria-label={`How many of part ${at + 1}`}
          inputMode="numeric"
          value={part.quantity}
          problem={problems.quantity}
          onChange={(event) => onChange({ quantity: event.target.value })}
        />
        <MoneyField
          label="Alone it costs"
          value={part.aloneMinor}
          onChange={(aloneMinor) => onChange({ aloneMinor })}
        />
        <Button size="small" className="w-fit" aria-label={`Remove part ${at + 1}`} onClick={onRemove}>
          Remove
        </Button>
      </div>
      <p className="flex flex-wrap items-center gap-x-5 text-[13px]">
        <CheckField
          label={`Part ${at + 1} was in the box`}
          checked={part.isThere}
          onChange={(event) => onChange({ isThere: event.target.checked })}
        />
        <span className="text-quiet">
          Its share: <span className="figures text-ink">{share}</span>
        </span>
      </p>
      {part.isNamed && part.isThere && (
        <details>
          <summary className="text-[13px] font-semibold">What it is, where you know it</summary>
          <div className="mt-2 grid gap-3">
            <WhatItIsFields it={it} problems={problems} />
          </div>
        </details>
      )}
    </li>
  )
}
