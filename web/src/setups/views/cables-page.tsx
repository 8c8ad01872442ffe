import {
  addCableRun,
  type CableRun,
  type CableWay,
  hasCableRun,
  type Interface,
  makeAssignment,
  type Port,
} from '@exemplar/core'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { useInterfacesQuery, useSetupQuery, useUnitQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { MeasureField, useMeasures } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { ThingPicker } from '../../kit/entry/thing-picker.tsx'
import { useCableStockQuery, useCableWaysQuery } from '../../kit/kit-api.ts'
import { makeRole, toDraft } from '../setup-draft.ts'
import { useSetupChanges } from '../use-setup-changes.ts'

interface End {
  unitId: string
  tag: string
  portId: string
}

type Way = Record<'upMm' | 'alongMm' | 'downMm', number | null>

const LEGS = [
  ['upMm', 'Up'],
  ['alongMm', 'Along'],
  ['downMm', 'Down'],
] as const

/** From which socket to which, over how long a way: the free cables and adapters that join them, or what to buy. */
export function CablesPage() {
  const [params] = useSearchParams()
  const setupId = params.get('setup') ?? ''
  const [from, setFrom] = useState<End | null>(null)
  const [to, setTo] = useState<End | null>(null)
  const [way, setWay] = useState<Way>({ upMm: null, alongMm: null, downMm: null })
  return (
    <>
      <PageHead title="Find a cable" />
      <div className="grid gap-6 px-4 pt-3 pb-8 md:px-5 lg:grid-cols-2">
        <EndPicker label="From" end={from} onChange={setFrom} />
        <EndPicker label="To" end={to} onChange={setTo} />
        <fieldset className="grid max-w-[34rem] grid-cols-3 gap-3 lg:col-span-2">
          <legend className="mb-1 text-[12px] font-semibold">
            How long the way is; the slack of the studio is added
          </legend>
          {LEGS.map(([key, label]) => (
            <MeasureField
              key={key}
              measure="length"
              label={label}
              value={way[key]}
              onChange={(mm) => setWay({ ...way, [key]: mm })}
            />
          ))}
        </fieldset>
        <div className="lg:col-span-2">
          {from?.portId && to?.portId && from.unitId !== to.unitId ? (
            <Ways from={from} to={to} way={way} setupId={setupId} />
          ) : (
            <p className="text-[13px] text-quiet">
              Choose two things and the ends that are to be joined. A way goes over free cables and adapters, none
              twice.
            </p>
          )}
        </div>
        <CableStock />
      </div>
    </>
  )
}

/** What there is, by its ends: the scarcest first, as the one that is missing is always the last of its kind. */
function CableStock() {
  const { data } = useCableStockQuery()
  if (!data || data.length === 0) return null
  return (
    <div className="lg:col-span-2">
      <Section title="What there is" aside={`${data.length} kinds`}>
        <table>
          <thead>
            <tr>
              <th scope="col">Kind</th>
              <th scope="col">Ends</th>
              <th scope="col" className="text-right">
                Owned
              </th>
              <th scope="col" className="text-right">
                In no setup
              </th>
            </tr>
          </thead>
          <tbody>
            {data.map((it) => (
              <tr key={it.what + it.ends}>
                <td>{it.what}</td>
                <td>{it.ends}</td>
                <td className="figures text-right">{it.owned}</td>
                <td className="figures text-right">{it.spare === 0 ? <Mark level="warn">no spare</Mark> : it.spare}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Section>
    </div>
  )
}

function EndPicker({ label, end, onChange }: { label: string; end: End | null; onChange(end: End | null): void }) {
  const { data } = useUnitQuery(end?.unitId ?? '', { skip: !end })
  const { data: interfaces } = useInterfacesQuery()
  const known = new Map(interfaces?.map((it) => [it.code, it]))
  const ports = (data?.model.ports ?? []).filter((port) => flows(port, known))
  return (
    <Section title={label} aside={end?.tag}>
      {!end && (
        <ThingPicker
          wants={null}
          taken={new Set()}
          withStock={false}
          act={{ short: 'This one', say: (tag) => `This one: ${tag}` }}
          onPick={(picked) => 'unitId' in picked && onChange({ unitId: picked.unitId, tag: picked.tag, portId: '' })}
        />
      )}
      {end && (
        <div className="grid gap-2 py-2">
          <p className="text-[13px]">
            <Tag>{end.tag}</Tag> {data?.name}{' '}
            <Button size="small" onClick={() => onChange(null)}>
              Another thing
            </Button>
          </p>
          {data && ports.length === 0 ? (
            <Mark level="unknown">No end for a cable is recorded. Add one under “Specs”.</Mark>
          ) : (
            <SelectField
              label={`End ${label.toLowerCase()}`}
              value={end.portId}
              onChange={(event) => onChange({ ...end, portId: event.target.value })}
            >
              <option value="">Choose an end</option>
              {ports.map((port) => (
                <option key={port.id} value={port.id}>
                  {sayEnd(port, known)}
                </option>
              ))}
            </SelectField>
          )}
        </div>
      )}
    </Section>
  )
}

const flows = (port: Port, interfaces: ReadonlyMap<string, Interface>) =>
  port.interfaces.some((code) => ['signal', 'mains'].includes(interfaces.get(code)?.kind ?? ''))

const DIRECTIONS: Record<Port['direction'], string> = { in: ', in', out: ', out', both: ', both ways', none: '' }

function sayEnd(port: Port, interfaces: ReadonlyMap<string, Interface>): string {
  const names = port.interfaces.map((code) => interfaces.get(code)?.label ?? code).join(' or ')
  return `${port.id}: ${names}${DIRECTIONS[port.direction]}`
}

function Ways({ from, to, way, setupId }: { from: End; to: End; way: Way; setupId: string }) {
  const { data, error, refetch } = useCableWaysQuery({
    fromUnitId: from.unitId,
    fromPortId: from.portId,
    toUnitId: to.unitId,
    toPortId: to.portId,
    ...Object.fromEntries(LEGS.flatMap(([key]) => (way[key] === null ? [] : [[key, way[key]]]))),
  })
  const { sayLength } = useMeasures()
  if (!data) return <Waiting what="cables" error={error} onRetry={refetch} />
  return (
    <Section title="Ways" aside={data.ways.length}>
      {data.neededMm !== null && (
        <p className="py-1.5 text-[13px] text-quiet">
          It has to be {sayLength(data.neededMm)} long, {data.slackPercent} % of slack in it.
        </p>
      )}
      {data.toBuy && (
        <p className="py-2" role="status">
          <Mark level="warn">
            Nothing free reaches. To buy: {data.toBuy.from} to {data.toBuy.to}
            {data.toBuy.leastMm !== null && `, at least ${sayLength(data.toBuy.leastMm)}`}.
          </Mark>
        </p>
      )}
      <ol>
        {data.ways.map((one) => (
          <OneWay
            key={one.pieces.map((it) => it.unitId).join()}
            way={one}
            setupId={setupId}
            link={{
              from: { unitId: from.unitId, portId: from.portId },
              via: one.pieces.map((it) => it.unitId),
              to: { unitId: to.unitId, portId: to.portId },
              neededMm: data.neededMm,
            }}
          />
        ))}
      </ol>
      {data.tooShort.length > 0 && (
        <>
          <h3 className="mt-4 text-[13px]">Too short</h3>
          <ol>
            {data.tooShort.map((one) => (
              <OneWay key={one.pieces.map((it) => it.unitId).join()} way={one} setupId="" link={null} />
            ))}
          </ol>
        </>
      )}
    </Section>
  )
}

function OneWay({ way, setupId, link }: { way: CableWay; setupId: string; link: CableRun | null }) {
  const { sayLength } = useMeasures()
  const may = useMay()
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2 text-[13px]">
      <span className="min-w-60 flex-1">
        {way.pieces.map((it, at) => (
          <span key={it.unitId}>
            {at > 0 && ' + '}
            <Tag>{it.tag}</Tag> {it.name}
          </span>
        ))}
        {way.overLimitMm !== null && (
          <Mark level="warn">longer than {sayLength(way.overLimitMm)}: put a repeater between</Mark>
        )}
        {way.forbidden.map((it) => (
          <Mark key={it} level="stop">
            {it === 'phantom-48v' ? 'switch the 48 V off: one end must not get it' : `one end must not get ${it}`}
          </Mark>
        ))}
      </span>
      <span className="figures">{way.lengthMm === null ? 'length not recorded' : sayLength(way.lengthMm)}</span>
      {setupId && link && may('change-setups') && <PutIn setupId={setupId} way={way} link={link} />}
    </li>
  )
}

/** Puts the pieces into a role for cables of the setup one came from, and keeps the run as it is made here. */
function PutIn({ setupId, way, link }: { setupId: string; way: CableWay; link: CableRun }) {
  const { data: setup } = useSetupQuery(setupId)
  const { save, isLoading } = useSetupChanges(setup)
  if (!setup) return null
  const taken = new Set(setup.roles.flatMap((role) => role.things.flatMap((it) => it.unitId ?? [])))
  if (!taken.has(link.from.unitId) || !taken.has(link.to.unitId)) {
    return <span className="text-quiet">both ends have to stand in {setup.code} to be joined there</span>
  }
  if (hasCableRun(setup.links, link)) return <Mark level="ok">made in {setup.code}</Mark>
  const things = way.pieces.filter((it) => !taken.has(it.unitId)).map((it) => makeAssignment({ unitId: it.unitId }))
  const home = setup.roles.find((role) => role.group === 'media' && (role.wants === null || role.wants === 'cable'))
  const roles = home
    ? setup.roles.map((role) => (role === home ? { ...role, things: [...role.things, ...things] } : role))
    : [...setup.roles, { ...makeRole('media'), name: 'Cables', things }]
  const countEnd = ({ unitId, portId }: CableRun['from']) => {
    const modelId = setup.units.find((it) => it.id === unitId)?.modelId
    const ports = setup.models.find((it) => it.id === modelId)?.ports
    return ports?.find((it) => it.id === portId)?.count ?? 1
  }
  return (
    <Button
      size="small"
      disabled={isLoading}
      onClick={() =>
        save(
          {
            ...toDraft(setup),
            roles: things.length > 0 ? roles : setup.roles,
            links: addCableRun(setup.links, link, countEnd),
          },
          `${way.pieces.map((it) => it.tag).join(', ')} joined in ${setup.code}.`,
        )
      }
    >
      Make it so in {setup.code}
    </Button>
  )
}
