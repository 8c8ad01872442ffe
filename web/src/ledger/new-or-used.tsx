import { compareNewAndUsed, formatMoney, type Offer, type OfferCost } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../foundation/api/api.ts'
import { MoneyField } from '../foundation/form/money-field.tsx'
import { NumberField } from '../foundation/form/number-field.tsx'
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
      <NumberField
        label="Serves, months"
        value={offer.months}
        least={1}
        most={600}
        onChange={(months) => months !== null && set({ months })}
      />
      <MoneyField
        label="Fetches in the end"
        value={offer.resaleMinor || null}
        onChange={(minor) => set({ resaleMinor: minor ?? 0 })}
      />
      <NumberField
        label="Fails without cover, %"
        value={offer.failPercent}
        most={100}
        onChange={(failPercent) => failPercent !== null && set({ failPercent })}
      />
    </fieldset>
  )
}
