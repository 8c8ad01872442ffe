import type { SystemsReply } from '@exemplar/core'
import { formatMoney, type SystemShare, sayPolicy } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useSystemsQuery } from './systems-api.ts'

/** Mounts, packs, plates: what hangs on each family, what leaving it costs, and what goes with the most. */
export function SystemsPage() {
  const [plate, setPlate] = useState<string | undefined>(undefined)
  const [eachMinor, setEachMinor] = useState<number | null>(null)
  const { data, error, refetch } = useSystemsQuery({ plate, eachMinor })
  if (!data) return <Waiting what="the systems" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Mounts and systems" aside={sayPolicy(data.follows)} />
      <div className="px-4 pb-8 md:px-5">
        <Families systems={data.systems} />
        {data.mixes.length > 0 && (
          <Section title="Cameras of several makers" aside="their colours want matching, by a card or afterwards">
            <ul>
              {data.mixes.map((it) => (
                <li key={it.code} className="border-b border-rule py-1.5 text-[13px]">
                  <Tag>{it.code}</Tag> {it.name}: {it.makers.join(', ')}
                </li>
              ))}
            </ul>
          </Section>
        )}
        <Section title="One fitting on every support" aside={`${Math.round(data.conformity.share * 100)} % have it`}>
          <div className="mt-2 grid max-w-xl gap-3 md:grid-cols-2">
            <SelectField label="Which fitting" value={data.plate} onChange={(event) => setPlate(event.target.value)}>
              {data.plates.map((it) => (
                <option key={it.code} value={it.code}>
                  {it.label}
                </option>
              ))}
            </SelectField>
            <MoneyField label="What one costs" value={eachMinor} onChange={setEachMinor} />
          </div>
          <Conformity data={data} />
        </Section>
        <Section
          title="Microphones by what they plug into"
          aside="owned and wished for; the more, the longer it is of use"
        >
          <ul>
            {data.portability.map((it) => (
              <li key={it.tag} className="grid gap-x-4 border-b border-rule py-1.5 text-[13px] md:grid-cols-[1fr_1fr]">
                <span>
                  <Tag>{it.tag}</Tag> {it.name}
                </span>
                <span>
                  <b className="font-semibold">{it.direct.length} directly</b>
                  {it.direct.length > 0 && <span className="text-quiet">: {it.direct.join(', ')}</span>}
                  {it.adapted.length > 0 && (
                    <span className="block text-quiet">with an adapter: {it.adapted.join(', ')}</span>
                  )}
                </span>
              </li>
            ))}
          </ul>
        </Section>
        <Section title="Holes and shoes of each body" aside="against the most that a setup hangs on it">
          <ul>
            {data.bodies.map((it) => (
              <li key={it.tag} className="grid gap-x-4 border-b border-rule py-1.5 text-[13px] md:grid-cols-[1fr_1fr]">
                <span>
                  <Tag>{it.tag}</Tag> {it.name}
                </span>
                <span>
                  {it.holes === null ? 'holes not counted' : `${it.holes} ${it.holes === 1 ? 'hole' : 'holes'}`},{' '}
                  {it.shoes} {it.shoes === 1 ? 'shoe' : 'shoes'}
                  {it.asked > 0 && (
                    <span className="text-quiet">
                      {' '}
                      · {it.askedBy} hangs {it.asked} on it
                    </span>
                  )}
                  {it.holes !== null && it.asked > it.holes + it.shoes && (
                    <Mark level="advise">wants a cage, a bracket or a cold shoe</Mark>
                  )}
                </span>
              </li>
            ))}
          </ul>
        </Section>
        <Modifiers data={data} />
      </div>
    </>
  )
}

/** Tags in a row that do not break at their dashes. */
function Tags({ list }: { list: readonly { tag: string }[] }) {
  return list.map(({ tag }, at) => (
    <span key={tag} className="whitespace-nowrap">
      {tag}
      {at < list.length - 1 && ', '}
    </span>
  ))
}

const KINDS: Partial<Record<SystemShare['kind'], string>> = { mount: 'mount', battery: 'packs', carry: 'fitting' }

function Families({ systems }: { systems: readonly SystemShare[] }) {
  const { data: studio } = useStudioQuery()
  const say = (minor: number) => formatMoney(minor, studio?.currency ?? 'GBP')
  return (
    <Section title="Families of the kit" aside="what no standard makes fit elsewhere">
      {systems.length === 0 && (
        <p className="py-2 text-[13px] text-quiet">
          No mount, pack or plate of your own list is on two things yet. They are written down under “Where things
          meet”.
        </p>
      )}
      <ul>
        {systems.map((it) => (
          <li key={it.code} className="grid gap-x-4 border-b border-rule py-2 text-[13px] md:grid-cols-[200px_1fr]">
            <span>
              <b className="font-semibold">{it.label}</b> <span className="text-quiet">{KINDS[it.kind]}</span>
            </span>
            <span>
              {it.hosts.length} receive it ({it.hosts.map((piece) => piece.tag).join(', ')}), {it.guests.length} go in
              or on.
              <span className="block text-quiet">
                {it.orphans.length === 0 ? (
                  'Leaving it would leave nothing idle.'
                ) : (
                  <>
                    Leaving it would leave {it.orphans.length} idle: <Tags list={it.orphans} />
                  </>
                )}
                {it.orphanMinor !== null && it.orphans.length > 0 && `, ${say(it.orphanMinor)} when bought`}
                {it.orphanMinor === null && it.orphans.length > 0 && ', not all with a price'}
                {it.orphans.length > it.leaving.unknown && <Leaving leaving={it.leaving} say={say} />}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </Section>
  )
}

/** What leaving a family comes to: what lies idle is sold, and others are bought in its place. */
function Leaving({ leaving, say }: { leaving: SystemShare['leaving']; say(minor: number): string }) {
  const { resaleMinor, againMinor, unknown } = leaving
  return (
    <span className="block">
      They should fetch about {say(resaleMinor)}, others in their place cost about {say(againMinor)}:{' '}
      {say(Math.max(0, againMinor - resaleMinor))} to leave it
      {unknown > 0 && `, and ${unknown} of which nobody knows`}. What they fetch is a guess by price and age.
    </span>
  )
}

function Conformity({ data: { conformity } }: { data: SystemsReply }) {
  const { data: studio } = useStudioQuery()
  const without = conformity.supports.filter((it) => !it.fits)
  return (
    <p className="mt-2 text-[13px]">
      {conformity.supports.length - conformity.missing} of {conformity.supports.length} supports have it
      {without.length > 0 && `; without it are ${without.map((it) => it.tag).join(', ')}`}.{' '}
      {conformity.costMinor !== null && conformity.missing > 0 && (
        <b className="font-semibold">
          To finish: {formatMoney(conformity.costMinor, studio?.currency ?? 'GBP')} for {conformity.missing}.
        </b>
      )}
    </p>
  )
}

function Modifiers({ data: { modifiers } }: { data: SystemsReply }) {
  const { sayMass } = useMeasures()
  if (modifiers.length === 0) return null
  const columns = [...new Set(modifiers.map((it) => it.modifier))]
  const rows = [...new Set(modifiers.map((it) => it.lamp))]
  return (
    <Section title="Modifiers on lamps" aside="what the two weigh together on a stand">
      <div className="overflow-x-auto">
        <table className="text-[13px]">
          <thead>
            <tr>
              <th scope="col">Lamp</th>
              {columns.map((it) => (
                <th key={it} scope="col">
                  <Tag>{it}</Tag>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((lamp) => (
              <tr key={lamp}>
                <td>
                  <Tag>{lamp}</Tag>
                </td>
                {columns.map((column) => {
                  const it = modifiers.find((cell) => cell.lamp === lamp && cell.modifier === column)
                  return (
                    <td key={column} className={it?.fits ? '' : 'text-quiet'}>
                      {it?.fits
                        ? it.massGrams === null
                          ? 'fits, not weighed'
                          : sayMass(it.massGrams)
                        : 'does not fit'}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Section>
  )
}
