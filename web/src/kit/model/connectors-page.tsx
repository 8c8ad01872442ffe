import type { InterfaceRow } from '@exemplar/core'
import { INTERFACE_KINDS, type NewInterface } from '@exemplar/core'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { useMay } from '../../foundation/api/session.ts'
import { CheckField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import {
  useAddInterfaceMutation,
  useChangeInterfaceMutation,
  useInterfaceFitsQuery,
  useOwnInterfacesQuery,
} from '../kit-api.ts'

const KIND_NAMES: Readonly<Record<NewInterface['kind'], string>> = {
  mount: 'Mounts',
  carry: 'What carries',
  battery: 'Batteries and cells',
  card: 'Cards',
  mains: 'Mains',
  signal: 'Signal',
}

/** Connectors: what standards name, and the studio's own mounts, battery families and plates. */
export function InterfacesPage() {
  const { data, error, refetch } = useOwnInterfacesQuery()
  const [params, setParams] = useSearchParams()
  const [editing, setEditing] = useState<InterfaceRow | 'new' | null>(null)
  const may = useMay()
  if (!data) return <Waiting what="the interfaces" error={error} onRetry={refetch} />
  const seen = params.get('see')
  return (
    <>
      <PageHead
        title="Connectors"
        aside={`${data.length} interfaces, ${data.filter((it) => !it.isStandard).length} of our own`}
      >
        {may('change-kit') && (
          <Button look="act" onClick={() => setEditing('new')}>
            Add one of our own
          </Button>
        )}
      </PageHead>
      <div className="grid gap-x-8 px-4 pb-8 md:px-5 lg:grid-cols-[minmax(0,1fr)_380px]">
        <div>
          {INTERFACE_KINDS.map((kind) => (
            <Section key={kind} title={KIND_NAMES[kind]}>
              <ul className="grid gap-x-6 sm:grid-cols-2">
                {data
                  .filter((it) => it.kind === kind)
                  .map((it) => (
                    <li key={it.code} className="flex items-center gap-2 border-b border-rule py-1.5 text-[13px]">
                      <button
                        type="button"
                        className="flex-1 text-left hover:underline aria-pressed:font-bold"
                        aria-pressed={seen === it.code}
                        onClick={() => setParams({ see: it.code })}
                      >
                        {it.label}
                      </button>
                      <span className="text-[12px] text-quiet">{it.standard ?? (it.isStandard ? '' : 'our own')}</span>
                      {!it.isStandard && may('change-kit') && (
                        <Button size="small" aria-label={`Change ${it.label}`} onClick={() => setEditing(it)}>
                          Change
                        </Button>
                      )}
                    </li>
                  ))}
              </ul>
            </Section>
          ))}
        </div>
        <div>
          {seen ? <Fits code={seen} /> : <p className="mt-5 text-[13px] text-quiet">Choose one to see what fits it.</p>}
        </div>
      </div>
      <SheetDialog
        open={editing !== null}
        onClose={() => setEditing(null)}
        title={editing === 'new' ? 'An interface of our own' : `Change ${editing?.label ?? ''}`}
      >
        {editing && <InterfaceForm row={editing === 'new' ? null : editing} onClose={() => setEditing(null)} />}
      </SheetDialog>
    </>
  )
}

function Fits({ code }: { code: string }) {
  const { data, error, refetch } = useInterfaceFitsQuery(code)
  if (!data) return <Waiting what="what fits" error={error} onRetry={refetch} />
  const { interface: it, hosts, guests } = data
  return (
    <Section title={it.label} aside={it.standard}>
      {[
        { name: it.hostName, text: 'receives', list: hosts },
        { name: it.guestName, text: 'goes in or on', list: guests },
      ].map(({ name, text, list }) => (
        <div key={text} className="border-b border-rule py-2 text-[13px]">
          <h3 className="text-[13px] font-semibold">
            {name}, {text}
          </h3>
          {list.length === 0 ? (
            <Mark level="advise">nothing in the kit</Mark>
          ) : (
            <ul className="text-quiet">
              {list.map((fit) => (
                <li key={fit.modelId + fit.portId}>{fit.name}</li>
              ))}
            </ul>
          )}
        </div>
      ))}
      {it.viaCableOnly && <p className="py-2 text-[12px] text-quiet">Two devices meet here by a cable only.</p>}
    </Section>
  )
}

const BLANK: NewInterface = {
  label: '',
  kind: 'mount',
  hostName: 'body',
  guestName: 'lens',
  standard: null,
  viaCableOnly: false,
}

function InterfaceForm({ row, onClose }: { row: InterfaceRow | null; onClose(): void }) {
  const [draft, setDraft] = useState<NewInterface>(row ?? BLANK)
  const [add] = useAddInterfaceMutation()
  const [change] = useChangeInterfaceMutation()
  const saving = useSaving(onClose)
  const set = (part: Partial<NewInterface>) => setDraft({ ...draft, ...part })
  const { label, kind, hostName, guestName, standard, viaCableOnly } = draft
  const body = { label, kind, hostName, guestName, standard, viaCableOnly }
  const submit = (version = row?.version ?? 1) =>
    saving.save(
      () => (row ? change({ id: row.code, version, body }).unwrap() : add(body).unwrap()),
      `${label} is ${row ? 'changed' : 'there'}.`,
    )
  const fields = saving.problem?.fields ?? {}
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <TextField
        label="Name"
        autoFocus
        value={label}
        problem={fields.label}
        onChange={(event) => set({ label: event.target.value })}
      />
      <SelectField
        label="What it is"
        value={kind}
        onChange={(event) => set({ kind: INTERFACE_KINDS.find((it) => it === event.target.value) ?? 'mount' })}
      >
        {INTERFACE_KINDS.map((it) => (
          <option key={it} value={it}>
            {KIND_NAMES[it]}
          </option>
        ))}
      </SelectField>
      <TextField
        label="What receives is called"
        hint="body, bay, slot, clamp"
        value={hostName}
        problem={fields.hostName}
        onChange={(event) => set({ hostName: event.target.value })}
      />
      <TextField
        label="What goes in or on is called"
        hint="lens, pack, card, plate"
        value={guestName}
        problem={fields.guestName}
        onChange={(event) => set({ guestName: event.target.value })}
      />
      <div className="md:col-span-2">
        <CheckField
          label="Two devices meet here by a cable only"
          checked={viaCableOnly}
          onChange={(event) => set({ viaCableOnly: event.target.checked })}
        />
      </div>
      <div className="grid gap-3 md:col-span-2">
        <SavingFoot saving={saving} act="Save" onMine={submit} onTheirs={onClose} />
      </div>
    </form>
  )
}
