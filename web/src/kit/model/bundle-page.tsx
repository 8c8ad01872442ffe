import {
  ACQUISITION_CODES,
  type Acquisition,
  bundleSchema,
  type Category,
  formatMoney,
  priceBundle,
} from '@exemplar/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { CheckField, FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { AcquisitionOptions, CategoryOptions, PartyOptions, PlaceOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { PageHead } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useReceiveBundleMutation } from '../kit-api.ts'

interface PartRow {
  id: string
  category: Category
  name: string
  quantity: string
  isThere: boolean
  aloneMinor: number | null
}

const makePart = (): PartRow => ({
  id: crypto.randomUUID(),
  category: 'light',
  name: '',
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
  const named = parts.filter((it) => it.name.trim())
  const { maker, ...rest } = draft
  const reading = bundleSchema.safeParse({
    ...rest,
    on: draft.on || today,
    partyId: draft.partyId || null,
    placeId: draft.placeId || null,
    parts: named.map(({ category, name, quantity, isThere, aloneMinor }) => ({
      category,
      maker,
      name,
      quantity: Number(quantity) || 0,
      isThere,
      aloneMinor,
    })),
  })
  const prices = reading.success ? priceBundle(reading.data) : []
  const say = (minor: number) => formatMoney(minor, studio?.currency ?? 'GBP', 'column')
  return (
    <>
      <PageHead title="Take in a bundle" aside="one price, several things" />
      <form
        className="grid grid-cols-1 gap-4 px-4 pt-3 pb-8 md:px-5"
        onSubmit={(event) => {
          event.preventDefault()
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
          <TextField label="Maker" value={maker} onChange={(event) => set({ maker: event.target.value })} />
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
        <fieldset className="relative min-w-0 overflow-x-auto">
          <legend className="mb-1 text-[13.5px] font-semibold">What was said to be in the box</legend>
          <table>
            <thead>
              <tr>
                <th scope="col">Was in it</th>
                <th scope="col">Kind</th>
                <th scope="col">Name</th>
                <th scope="col">How many</th>
                <th scope="col">Alone it costs</th>
                <th scope="col" className="text-right">
                  Its share
                </th>
                <th scope="col">
                  <span className="sr-only">Act</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {parts.map((part, at) => {
                const own = prices[named.indexOf(part)] ?? []
                return (
                  <tr key={part.id}>
                    <td>
                      <CheckField
                        label={<span className="sr-only">Part {at + 1} was in the box</span>}
                        checked={part.isThere}
                        onChange={(event) => setPart(part.id, { isThere: event.target.checked })}
                      />
                    </td>
                    <td>
                      <select
                        aria-label={`Kind of part ${at + 1}`}
                        className="h-9 w-40 rounded-paper border border-rule-strong bg-sheet px-2 text-[13px]"
                        value={part.category}
                        onChange={(event) => setPart(part.id, { category: event.target.value as Category })}
                      >
                        <CategoryOptions />
                      </select>
                    </td>
                    <td>
                      <input
                        aria-label={`Name of part ${at + 1}`}
                        className="h-9 min-w-40 rounded-paper border border-rule-strong bg-sheet px-2 text-[13px]"
                        value={part.name}
                        onChange={(event) => setPart(part.id, { name: event.target.value })}
                      />
                    </td>
                    <td>
                      <input
                        aria-label={`How many of part ${at + 1}`}
                        inputMode="numeric"
                        className="h-9 w-16 rounded-paper border border-rule-strong bg-sheet px-2 text-right text-[13px]"
                        value={part.quantity}
                        onChange={(event) => setPart(part.id, { quantity: event.target.value })}
                      />
                    </td>
                    <td className="min-w-32">
                      <MoneyField
                        isLabelHidden
                        label={`Part ${at + 1} alone`}
                        value={part.aloneMinor}
                        onChange={(aloneMinor) => setPart(part.id, { aloneMinor })}
                      />
                    </td>
                    <td className="figures text-right">
                      {!part.isThere
                        ? 'to buy'
                        : own.length > 1
                          ? `${own.length} × ${say(own[0] ?? 0)}`
                          : own.length === 1
                            ? say(own[0] ?? 0)
                            : '–'}
                    </td>
                    <td>
                      <Button
                        size="small"
                        aria-label={`Remove part ${at + 1}`}
                        onClick={() => setParts(parts.filter((it) => it.id !== part.id))}
                      >
                        Remove
                      </Button>
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
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
