import {
  listInUse,
  type Remedy,
  type Role,
  sayLeft,
  sayNumber,
  sayOpenEnd,
  sayReasons,
  sayRemedy,
} from '@exemplar/core'
import { Cable, ListChecks } from 'lucide-react'
import { useState } from 'react'
import { useInterfacesQuery } from '../../foundation/api/api.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useChoosingQuery, useConnectPlanQuery } from '../helping-api.ts'

interface Shared {
  id: string
  bookingId: string | undefined
  onDo(remedies: readonly Remedy[], text: string): Promise<boolean>
}

/** Two buttons that do the looking: things for the empty roles, and what joins everything. Nothing changes before it is seen. */
export function HelpMe({ roles, hasOpenEnds, ...shared }: Shared & { roles: readonly Role[]; hasOpenEnds: boolean }) {
  const [open, setOpen] = useState<'choose' | 'connect' | null>(null)
  const hasEmpty = roles.some((role) => listInUse(role).length === 0 && !role.intentionallyEmpty && role.wants !== null)
  if (!hasEmpty && !hasOpenEnds) return null
  const done = async (remedies: readonly Remedy[], text: string) => {
    if (await shared.onDo(remedies, text)) setOpen(null)
  }
  return (
    <div className="no-print mb-3 flex flex-wrap gap-2">
      {hasEmpty && (
        <Button onClick={() => setOpen('choose')}>
          <ListChecks aria-hidden />
          Choose for me
        </Button>
      )}
      {hasOpenEnds && (
        <Button onClick={() => setOpen('connect')}>
          <Cable aria-hidden />
          Connect for me
        </Button>
      )}
      <SheetDialog
        wide
        open={open === 'choose'}
        onClose={() => setOpen(null)}
        title="Choose for me"
        description="What is free, fits and is least wanted elsewhere. Nothing is changed yet."
      >
        {open === 'choose' && <Choices {...shared} onDone={done} />}
      </SheetDialog>
      <SheetDialog
        wide
        open={open === 'connect'}
        onClose={() => setOpen(null)}
        title="Connect for me"
        description="Stands, leads, cables, packs and cards from the store: the fewest that do. Nothing is changed yet."
      >
        {open === 'connect' && <Connections {...shared} roles={roles} onDone={done} />}
      </SheetDialog>
    </div>
  )
}

type OnDone = (remedies: readonly Remedy[], text: string) => Promise<void>

function Choices({ id, bookingId, onDone }: Shared & { onDone: OnDone }) {
  const { data, error, refetch } = useChoosingQuery({ id, bookingId }, { refetchOnMountOrArgChange: true })
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  if (!data) return <Waiting what="what is free" error={error} onRetry={refetch} />
  const kept = data.choices.filter((it) => !left.has(it.unitId))
  const remedies = data.remedies.filter((it) => it.kind !== 'assign' || !left.has(it.unitIds[0] ?? ''))
  return (
    <div className="grid gap-3 text-[13px]">
      <ul>
        {data.choices.map((it) => (
          <li
            key={it.unitId}
            className="grid grid-cols-[24px_minmax(96px,150px)_1fr] gap-2 border-b border-rule py-1.5"
          >
            <input
              type="checkbox"
              className="mt-0.5 size-4 accent-(--ink)"
              aria-label={`${it.tag} as ${it.role}`}
              checked={!left.has(it.unitId)}
              onChange={() => {
                const next = new Set(left)
                if (!next.delete(it.unitId)) next.add(it.unitId)
                setLeft(next)
              }}
            />
            <b>{it.role}</b>
            <span>
              <Tag>{it.tag}</Tag> {it.name}
              <span className="block text-[12px] text-quiet">{sayReasons(it.reasons)}</span>
            </span>
          </li>
        ))}
        {data.left.map((it) => (
          <li key={it.roleId} className="border-b border-rule py-1.5">
            <Mark level="advise">{sayLeft(it)}</Mark>
          </li>
        ))}
      </ul>
      <Button
        look="act"
        className="w-fit"
        disabled={kept.length === 0}
        onClick={() => onDone(remedies, `${sayNumber(kept.length, 'thing')} put in.`)}
      >
        Put {kept.length} in
      </Button>
    </div>
  )
}

const SAID = {
  'nothing-open': 'Everything is joined already.',
  complete: 'With these everything is joined.',
  partly: 'With these some of it is joined. The rest cannot be, with what is free.',
  cannot: 'Nothing that is free would join it.',
  unproven:
    'It could not be proven in the time there is, so nothing is proposed. Take some things in by hand and ask again.',
}

function Connections({ id, bookingId, roles, onDone }: Shared & { roles: readonly Role[]; onDone: OnDone }) {
  const { data, error, refetch } = useConnectPlanQuery({ id, bookingId }, { refetchOnMountOrArgChange: true })
  const { data: interfaces } = useInterfacesQuery()
  if (!data) return <Waiting what="what would join it" error={error} onRetry={refetch} />
  const labelOf = (code: string) => interfaces?.find((it) => it.code === code)?.label ?? code
  const modes = data.remedies.filter((it) => it.kind === 'power-mode')
  return (
    <div className="grid gap-3 text-[13px]">
      <p className="font-semibold" role="status">
        {SAID[data.status]}
      </p>
      <ul>
        {data.taken.map((it, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: pieces of one stock have one tag
          <li key={at} className="grid grid-cols-[minmax(96px,150px)_1fr] gap-2 border-b border-rule py-1.5">
            <b>{roles.find((role) => role.id === it.roleId)?.name}</b>
            <span>
              <Tag>{it.tag}</Tag> {it.name}
              {it.joins.length > 0 && <span className="block text-[12px] text-quiet">joins {it.joins.join(', ')}</span>}
            </span>
          </li>
        ))}
        {modes.map((it) => (
          <li key={sayRemedy(it)} className="border-b border-rule py-1.5">
            {sayRemedy(it)}
          </li>
        ))}
        {data.open.map((it) => (
          <li key={it.tag + it.interfaces.join()} className="border-b border-rule py-1.5">
            <Mark level="stop">{sayOpenEnd(it, labelOf)}</Mark>
            {it.proof.length > 1 && (
              <span className="ml-5 block text-[12px] text-quiet">
                Proven: {it.proof.join(', ')} cannot all be met, whatever is taken and however they are powered.
              </span>
            )}
          </li>
        ))}
      </ul>
      {data.remedies.length > 0 && (
        <Button
          look="act"
          className="w-fit"
          onClick={() => onDone(data.remedies, `${sayNumber(data.taken.length, 'thing')} taken to join the rest.`)}
        >
          Take {data.taken.length === 1 ? 'it' : 'them'}
        </Button>
      )}
    </div>
  )
}
