import { compareLight, findExponent, formatMoney, type LightOffer, trim } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../foundation/api/api.ts'
import { SelectField } from '../foundation/form/field.tsx'
import { FigureField } from '../foundation/form/figure-field.tsx'
import { MoneyField } from '../foundation/form/money-field.tsx'
import { WorkingPaper } from '../foundation/parts/working-paper.tsx'

type Told = { [Key in keyof LightOffer]: number | null }
const BLANK: Told = { light: null, priceMinor: null }
const UNITS = { lx: 'Lux at one metre', W: 'Watts, of lamps alike' } as const
type Unit = keyof typeof UNITS

const isWhole = (it: Told): it is LightOffer => it.light !== null && it.priceMinor !== null && it.priceMinor > 0

/** Two lamps by what they give for their price: how many stops the larger adds, and what each of them costs. */
export function MoreLight() {
  const [one, setOne] = useState(BLANK)
  const [other, setOther] = useState(BLANK)
  const [unit, setUnit] = useState<Unit>('lx')
  const { data: studio } = useStudioQuery()
  const currency = studio?.currency ?? 'GBP'
  const say = (minor: number) => formatMoney(Math.round(minor), currency)
  const perMoney = 10 ** findExponent(currency)
  const result = isWhole(one) && isWhole(other) ? compareLight(one, other, perMoney) : null
  return (
    <section className="mt-6" aria-label="More light for the money">
      <h2 className="border-b border-rule pb-1">More light for the money?</h2>
      <div className="grid gap-x-6 gap-y-4 py-3 md:grid-cols-2">
        <SelectField label="Light is told in" value={unit} onChange={(event) => setUnit(event.target.value as Unit)}>
          {Object.entries(UNITS).map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </SelectField>
        <span className="max-md:hidden" />
        <OfferFields title="The one" unit={unit} offer={one} onChange={setOne} />
        <OfferFields title="The other" unit={unit} offer={other} onChange={setOther} />
      </div>
      {result && isWhole(one) && isWhole(other) ? (
        <>
          <p className="py-1 font-semibold" role="status">
            {sayStops(result.stops)} {sayMore(result.moreMinor, say)} {say3(result.perMoney[0])} {unit} for each{' '}
            {say(perMoney)} against {say3(result.perMoney[1])}.
          </p>
          <p className="text-[13px]">{sayWays(result, say)}</p>
          <WorkingPaper
            words={{
              title: 'More light for the money',
              summary: '',
              lines: [
                { label: 'stops', sum: `log₂(${other.light} / ${one.light}) = ${trim(result.stops, 2)}` },
                {
                  label: 'the one',
                  sum: `${one.light} ${unit} / ${say(one.priceMinor)} = ${say3(result.perMoney[0])}`,
                },
                {
                  label: 'the other',
                  sum: `${other.light} ${unit} / ${say(other.priceMinor)} = ${say3(result.perMoney[1])}`,
                },
                {
                  label: 'nearer',
                  sum: `1 / √${trim(result.times, 2)} = ${trim(result.nearerShare * 100, 0)} % of the way`,
                },
              ],
              assumptions: [
                unit === 'W'
                  ? 'Watts are what a lamp takes: they compare the light of lamps of one kind and beam, and of no others.'
                  : 'Both measured at one metre, with the same modifier or with none.',
                'Twice the light is one stop, and looks no more than that.',
              ],
              source: 'definition; inverse square of a point source',
            }}
          />
        </>
      ) : (
        <p className="text-[13px] text-quiet">
          {one.priceMinor === 0 || other.priceMinor === 0
            ? 'What costs nothing needs no sum: it gives its light for nothing.'
            : 'Write down what both give and what both cost.'}
        </p>
      )}
    </section>
  )
}

/** To three figures: of a small unit of money there is little light for each. */
const say3 = (figure: number) => String(Number(figure.toPrecision(3)))

function sayStops(stops: number): string {
  if (Math.abs(stops) < 0.05) return 'Both give the same.'
  const figure = trim(Math.abs(stops), 1)
  return `The other gives ${figure} ${figure === '1' ? 'stop' : 'stops'} ${stops > 0 ? 'more' : 'less'}.`
}

function sayMore(moreMinor: number, say: (minor: number) => string): string {
  if (moreMinor === 0) return 'They cost the same.'
  return `It costs ${say(Math.abs(moreMinor))} ${moreMinor > 0 ? 'more' : 'less'}.`
}

/** What a stop costs, and what gives the same for nothing. */
function sayWays(
  { stops, perStopMinor, moreMinor, nearerShare }: ReturnType<typeof compareLight>,
  say: (minor: number) => string,
): string {
  if (Math.abs(stops) < 0.05) return moreMinor === 0 ? '' : 'The cheaper one does it.'
  if (stops < 0)
    return moreMinor >= 0 ? 'It gives less, and is no cheaper.' : 'Whether less light will do is the question.'
  const price = perStopMinor !== null && perStopMinor > 0 ? `A stop more costs ${say(perStopMinor)}. ` : ''
  return `${price}The one gives as much where it stands at ${trim(nearerShare * 100, 0)} % of the distance, which costs nothing where the picture and the softness allow it.`
}

function OfferFields({
  title,
  unit,
  offer,
  onChange,
}: {
  title: string
  unit: Unit
  offer: Told
  onChange(offer: Told): void
}) {
  return (
    <fieldset className="grid grid-cols-2 content-start gap-3">
      <legend className="mb-1 text-[13px] font-semibold">{title}</legend>
      <FigureField
        label={`Light, ${unit}`}
        least={1}
        most={1_000_000}
        value={offer.light}
        onChange={(light) => onChange({ ...offer, light })}
      />
      <MoneyField
        label="Price"
        value={offer.priceMinor}
        onChange={(priceMinor) => onChange({ ...offer, priceMinor })}
      />
    </fieldset>
  )
}
