import { ACQUISITION_CODES, type Acquisition, bundleSchema, formatMoney, priceBundle } from '@exemplar/core'
import { useRef, useState } from 'react'
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
import type { WhatItIs } from '../entry/what-it-is.tsx'
import { useReceiveBundleMutation } from '../kit-api.ts'
import { BundlePart, makePart, type PartRow, readFieldsOf, sayShare } from './bundle-part.tsx'

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
  const paths = error ? (readProblem(error).paths ?? {}) : {}
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
                problems={readFieldsOf(paths, named.indexOf(part))}
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
