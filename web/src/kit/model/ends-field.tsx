import { IMPORTANCES, type Interface, type Port, RATED_QUANTITIES, sayEnd, saySide } from '@exemplar/core'
import { useState } from 'react'
import { useInterfacesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { ComboField } from '../../foundation/form/combo-field.tsx'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'

const IMPORTANCE_NAMES = {
  essential: 'it does not work without',
  wanted: 'it is meant to be joined',
  optional: 'it may be joined',
} as const
const DIRECTION_NAMES = { out: 'comes out here', in: 'goes in here', both: 'both ways', none: 'not said' } as const
const RATED_NAMES = { loadGrams: 'load', cardMegabytesPerSecond: 'MB/s', amps: 'A' } as const

/** Every end of a thing as a sentence, opened where it is to be changed. */
export function EndsField({
  ports,
  problems,
  onChange,
}: {
  ports: Port[]
  problems: Record<string, string>
  onChange(ports: Port[]): void
}) {
  const { data: list = [] } = useInterfacesQuery()
  const { data: studio } = useStudioQuery()
  const interfaces = new Map(list.map((it) => [it.code, it]))
  const [open, setOpen] = useState<string | null>(null)
  const set = (at: number, part: Partial<Port>) =>
    onChange(ports.map((it, index) => (index === at ? { ...it, ...part } : it)))
  const add = () => {
    const fresh = makeBlank(ports)
    onChange([...ports, fresh])
    setOpen(fresh.id)
  }
  return (
    <fieldset className="grid gap-1">
      <legend className="mb-1 text-[12px] font-semibold">Its ends, one by one</legend>
      {ports.map((port, at) => (
        <div key={port.id} className="border-l-4 border-rule pl-3">
          <p className="flex flex-wrap items-baseline gap-2 text-[13px]">
            <span className="min-w-0 flex-1">
              {sayEnd(port, interfaces, studio?.unitSystem)}{' '}
              <span className="text-quiet">({IMPORTANCE_NAMES[port.importance]})</span>
            </span>
            <Button
              size="small"
              aria-expanded={open === port.id}
              aria-label={`${open === port.id ? 'Close' : 'Change'} ${port.id}`}
              onClick={() => setOpen(open === port.id ? null : port.id)}
            >
              {open === port.id ? 'Close' : 'Change'}
            </Button>
            <Button
              size="small"
              aria-label={`Remove ${port.id}`}
              onClick={() => onChange(ports.filter((_, index) => index !== at))}
            >
              Remove
            </Button>
          </p>
          {problems[`ports/${at}/interfaces`] && (
            <p className="text-[12px] font-semibold text-stop">{problems[`ports/${at}/interfaces`]}</p>
          )}
          {open === port.id && (
            <EndFields port={port} list={list} interfaces={interfaces} onChange={(part) => set(at, part)} />
          )}
        </div>
      ))}
      <Button size="small" className="w-fit" onClick={add}>
        Add an end
      </Button>
    </fieldset>
  )
}

function EndFields({
  port,
  list,
  interfaces,
  onChange,
}: {
  port: Port
  list: readonly Interface[]
  interfaces: ReadonlyMap<string, Interface>
  onChange(part: Partial<Port>): void
}) {
  const own = interfaces.get(port.interfaces[0] ?? '')
  const [first = '', ...others] = port.interfaces
  return (
    <div className="my-2 grid grid-cols-1 gap-2 sm:grid-cols-2 lg:grid-cols-3">
      <ComboField
        label="Connector"
        value={first}
        recent="connector"
        choices={list.map((it) => ({ value: it.code, label: it.label, aside: it.kind }))}
        onChange={(code) => code && onChange({ interfaces: [code, ...others.filter((it) => it !== code)] })}
      />
      <SelectField
        label="It has the"
        value={port.side}
        onChange={(event) => onChange({ side: event.target.value === 'host' ? 'host' : 'guest' })}
      >
        <option value="host">{own ? saySide(own, 'host') : 'side that receives'}</option>
        <option value="guest">{own ? saySide(own, 'guest') : 'side that goes in or on'}</option>
      </SelectField>
      {(own?.kind === 'signal' || port.direction !== 'none') && (
        <SelectField
          label="Sound, picture or data"
          value={port.direction}
          onChange={(event) => onChange({ direction: event.target.value as Port['direction'] })}
        >
          {(Object.keys(DIRECTION_NAMES) as Port['direction'][]).map((it) => (
            <option key={it} value={it}>
              {DIRECTION_NAMES[it]}
            </option>
          ))}
        </SelectField>
      )}
      <SelectField
        label="How much it matters"
        value={port.importance}
        onChange={(event) =>
          onChange({ importance: IMPORTANCES.find((it) => it === event.target.value) ?? 'optional' })
        }
      >
        {IMPORTANCES.map((it) => (
          <option key={it} value={it}>
            {IMPORTANCE_NAMES[it]}
          </option>
        ))}
      </SelectField>
      <CountField value={port.count} onChange={(count) => onChange({ count })} />
      <RatingField label="Good for" value={port.rating} onChange={(rating) => onChange({ rating })} />
      <RatingField label="Asks for" value={port.demand} onChange={(demand) => onChange({ demand })} />
    </div>
  )
}

function CountField({ value, onChange }: { value: number; onChange(count: number): void }) {
  const [text, setText] = useState(String(value))
  const isFine = (typed: string) => /^\d{1,2}$/.test(typed) && Number(typed) > 0
  return (
    <TextField
      label="How many of it"
      inputMode="numeric"
      value={text}
      unread={isFine(text) ? undefined : 'A whole number.'}
      onChange={(event) => {
        setText(event.target.value)
        if (isFine(event.target.value)) onChange(Number(event.target.value))
      }}
    />
  )
}

function makeBlank(ports: Port[]): Port {
  const known = new Set(ports.map((it) => it.id))
  let n = ports.length + 1
  while (known.has(`port-${n}`)) n++
  return {
    id: `port-${n}`,
    interfaces: ['thread-1-4'],
    side: 'host',
    direction: 'none',
    count: 1,
    importance: 'optional',
    carries: [],
    forbids: [],
    rating: null,
    demand: null,
    exclusiveGroup: null,
  }
}

function RatingField({
  label,
  value,
  onChange,
}: {
  label: string
  value: Port['rating']
  onChange(value: Port['rating']): void
}) {
  const [quantity, setQuantity] = useState(value?.quantity ?? 'loadGrams')
  const [text, setText] = useState(value === null ? '' : String(value.value))
  const figure = Number(text.replace(',', '.'))
  const isFine = text.trim() === '' || (Number.isFinite(figure) && figure >= 0)
  const give = (typed: string, of: typeof quantity) => {
    const read = Number(typed.replace(',', '.'))
    if (typed.trim() === '') onChange(null)
    else if (Number.isFinite(read) && read >= 0) onChange({ quantity: of, value: read })
  }
  return (
    <span className="flex items-end gap-1">
      {quantity === 'loadGrams' ? (
        <MeasureField
          measure="mass"
          label={label}
          value={value?.quantity === 'loadGrams' ? value.value : null}
          onChange={(grams) => onChange(grams === null ? null : { quantity: 'loadGrams', value: grams })}
        />
      ) : (
        <TextField
          label={label}
          inputMode="decimal"
          value={text}
          unread={isFine ? undefined : 'Write a number.'}
          onChange={(event) => {
            setText(event.target.value)
            give(event.target.value, quantity)
          }}
        />
      )}
      <select
        aria-label={`${label}: what`}
        className="h-9 rounded-paper border border-rule-strong bg-sheet px-1 text-[12px]"
        value={quantity}
        onChange={(event) => {
          const next = RATED_QUANTITIES.find((it) => it === event.target.value) ?? 'loadGrams'
          setQuantity(next)
          setText('')
          onChange(null)
        }}
      >
        {RATED_QUANTITIES.map((it) => (
          <option key={it} value={it}>
            {RATED_NAMES[it]}
          </option>
        ))}
      </select>
    </span>
  )
}
