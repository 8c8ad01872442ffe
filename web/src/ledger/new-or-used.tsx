import { compareNewAndUsed, formatMoney, type Offer, type OfferCost } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../foundation/api/api.ts'
import { TextField } from '../foundation/form/field.tsx'
import { MoneyField } from '../foundation/form/money-field.tsx'
import { WorkingPaper } from '../foundation/parts/working-paper.tsx'

const FRESH: Offer = { priceMinor: 0, coverMinor: 0, months: 48, resaleMinor: 0, failPercent: 0 }
const USED: Offer = { priceMinor: 0, coverMinor: 0, months: 36, resaleMinor: 0, failPercent: 20 }

/** New with cover or used: both by what a month of service truly costs, the risk of failing among it. */
export function NewOrUsed() {
  const [fresh, setFresh] = useState(FRESH)
  const [used, setUsed] = useState(USED)
  const { data: studio } = useStudioQuery()
  const say = (minor: number) => formatMoney(minor, studio?.currency ?? 'GBP')
  const isAsked = fresh.priceMinor > 0 && used.priceMinor > 0
  const result = compareNewAndUsed(fresh, used)
  const work = (offer: Offer, cost: OfferCost) =>
    `(${say(offer.priceMinor)} + ${say(offer.coverMinor)} + ${offer.failPercent} % × ${say(fresh.priceMinor)} − ${say(offer.resaleMinor)}) / ${offer.months} = ${say(cost.perMonthMinor)}`
  return (
    <section className="mt-6" aria-label="New or used">
      <h2 className="border-b border-rule pb-1">New or used?</h2>
      <div className="grid gap-x-6 gap-y-4 py-3 md:grid-cols-2">
        <OfferFields title="New, with cover" offer={fresh} onChange={setFresh} />
        <OfferFields title="Used" offer={used} onChange={setUsed} />
      </div>
      {isAsked ? (
        <>
          <p className="py-1 font-semibold" role="status">
            {
              {
                new: `New is cheaper: ${say(result.fresh.perMonthMinor)} a month against ${say(result.used.perMonthMinor)}.`,
                used: `Used is cheaper: ${say(result.used.perMonthMinor)} a month against ${say(result.fresh.perMonthMinor)}.`,
                same: `Both cost ${say(result.used.perMonthMinor)} a month.`,
              }[result.cheaper]
            }
          </p>
          <WorkingPaper
            words={{
              title: 'A month of service',
              summary: '',
              lines: [
                { label: 'new', sum: work(fresh, result.fresh) },
                { label: 'used', sum: work(used, result.used) },
              ],
              assumptions: ['What fails beyond mending is replaced by a new one, at the price of new.'],
              source: 'Cost per month of service; common practice',
            }}
          />
        </>
      ) : (
        <p className="text-[13px] text-quiet">
          Write both prices down: what a month costs is reckoned with cover, risk and what it fetches in the end.
        </p>
      )}
    </section>
  )
}

function OfferFields({ title, offer, onChange }: { title: string; offer: Offer; onChange(offer: Offer): void }) {
  const set = (part: Partial<Offer>) => onChange({ ...offer, ...part })
  return (
    <fieldset className="grid grid-cols-2 content-start gap-3">
      <legend className="mb-1 text-[13px] font-semibold">{title}</legend>
      <MoneyField
        label="Price"
        value={offer.priceMinor || null}
        onChange={(minor) => set({ priceMinor: minor ?? 0 })}
      />
      <MoneyField
        label="Cover for all that time"
        value={offer.coverMinor || null}
        onChange={(minor) => set({ coverMinor: minor ?? 0 })}
      />
      <WholeField
        label="Serves, months"
        value={offer.months}
        least={1}
        most={600}
        onChange={(months) => set({ months })}
      />
      <MoneyField
        label="Fetches in the end"
        value={offer.resaleMinor || null}
        onChange={(minor) => set({ resaleMinor: minor ?? 0 })}
      />
      <WholeField
        label="Fails without cover, %"
        value={offer.failPercent}
        least={0}
        most={100}
        onChange={(failPercent) => set({ failPercent })}
      />
    </fieldset>
  )
}

function WholeField({
  label,
  value,
  least,
  most,
  onChange,
}: {
  label: string
  value: number
  least: number
  most: number
  onChange(value: number): void
}) {
  const [text, setText] = useState(String(value))
  const read = (from: string) => (/^\d{1,3}$/.test(from.trim()) ? Number(from) : Number.NaN)
  const isRight = (number: number) => number >= least && number <= most
  return (
    <TextField
      label={label}
      inputMode="numeric"
      value={text}
      problem={isRight(read(text)) ? undefined : `A whole number from ${least} to ${most}.`}
      onChange={(event) => {
        setText(event.target.value)
        if (isRight(read(event.target.value))) onChange(read(event.target.value))
      }}
    />
  )
}
