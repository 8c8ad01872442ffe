import {
  addGuest,
  copySetup,
  type NewSetup,
  nameModel,
  type SetupReply,
  sayVerdict,
  suggestIdentity,
} from '@exemplar/core'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useAddSetupMutation, useSetupNamesQuery } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMay } from '../../foundation/api/session.ts'
import { CheckField, FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { MoreMenu } from '../../foundation/parts/more-menu.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { MENU_ITEM } from '../../foundation/words/menu.ts'
import { useWithoutQuery } from '../helping-api.ts'
import { ReadinessDifferences } from '../margin/readiness-differences.tsx'
import { Differences } from '../margin/setup-differences.tsx'
import { toDraft } from '../setup-draft.ts'
import { ChangedFigures, PairedStills } from './paired-stills.tsx'
import { SoundRoutes } from './sound-routes.tsx'
import { SwapOne } from './swap-one.tsx'

type Open = 'copy' | 'variant' | 'guest' | 'compare' | 'without' | 'swap' | 'sound'

/** What else is done with a setup: copied, varied, compared, tried without a thing. */
export function SetupMenu({ setup, bookingId }: { setup: SetupReply; bookingId: string | undefined }) {
  const [open, setOpen] = useState<Open | null>(null)
  const navigate = useNavigate()
  const may = useMay()
  const close = () => setOpen(null)
  const item = (label: string, onSelect: () => void) => (
    <DropdownMenu.Item className={MENU_ITEM} onSelect={onSelect}>
      {label}
    </DropdownMenu.Item>
  )
  return (
    <>
      <MoreMenu>
        {item('Without one thing', () => setOpen('without'))}
        {item('Swap one thing', () => setOpen('swap'))}
        {item('Sound routes', () => setOpen('sound'))}
        {item('Compare with another', () => setOpen('compare'))}
        {item('Preflight', () => navigate(`/setups/${setup.id}/start${bookingId ? `?booking=${bookingId}` : ''}`))}
        {item('Rig time and floor space', () => navigate(`/setups/${setup.id}/minutes`))}
        {item('Compare variants', () => navigate(`/setups/${setup.id}/looks`))}
        {item('Find a cable', () => navigate(`/kit/cables?setup=${setup.id}`))}
        {may('change-setups') && item('Make a variant', () => setOpen('variant'))}
        {may('change-setups') && item('Version for a guest', () => setOpen('guest'))}
        {may('change-setups') && item('Copy it', () => setOpen('copy'))}
      </MoreMenu>
      <SheetDialog
        open={open === 'copy' || open === 'variant' || open === 'guest'}
        onClose={close}
        title={open === 'copy' ? 'Copy it' : open === 'guest' ? 'Version for a guest' : 'Make a variant'}
        description={
          {
            copy: 'A setup of its own that starts as this one.',
            variant: 'The same with differences: another wall, two people, standing. It says what is otherwise.',
            guest: 'A variant for one more person: a microphone, a chair, and a frame wide enough for both.',
          }[open === 'copy' || open === 'guest' ? open : 'variant']
        }
      >
        {(open === 'copy' || open === 'variant' || open === 'guest') && <CopyForm setup={setup} kind={open} />}
      </SheetDialog>
      <SheetDialog
        open={open === 'swap'}
        onClose={close}
        wide
        title="Swap one thing"
        description="It is tried and everything judged anew. Nothing is changed until you say so."
      >
        {open === 'swap' && <SwapOne setup={setup} bookingId={bookingId} onDone={close} />}
      </SheetDialog>
      <SheetDialog open={open === 'sound'} onClose={close} wide title="Sound routes">
        {open === 'sound' && <SoundRoutes id={setup.id} bookingId={bookingId} />}
      </SheetDialog>
      <SheetDialog open={open === 'compare'} onClose={close} wide title="Compare with another">
        {open === 'compare' && <Compare setup={setup} />}
      </SheetDialog>
      <SheetDialog
        open={open === 'without'}
        onClose={close}
        wide
        title="Without one thing"
        description="It is taken out and everything judged anew. Nothing is changed."
      >
        {open === 'without' && <Without setup={setup} bookingId={bookingId} />}
      </SheetDialog>
    </>
  )
}

function CopyForm({ setup, kind }: { setup: SetupReply; kind: 'copy' | 'variant' | 'guest' }) {
  const { data: setups } = useSetupNamesQuery()
  const [add, adding] = useAddSetupMutation()
  const [name, setName] = useState(
    { copy: `${setup.name} again`, variant: `${setup.name}, `, guest: `${setup.name} with a guest` }[kind],
  )
  const [withThings, setWithThings] = useState(true)
  const navigate = useNavigate()
  const problem = adding.error ? readProblem(adding.error) : null
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const { code, tape } = suggestIdentity(name, setups ?? [])
        const base = kind === 'copy' ? null : setup.id
        const copy: NewSetup = copySetup(toDraft(setup), name.trim(), code, withThings, base)
        const made = kind === 'guest' ? addGuest(copy, () => crypto.randomUUID()) : copy
        add({ ...made, tape })
          .unwrap()
          .then((made) => navigate(`/setups/${made.id}`))
          .catch(() => {})
      }}
    >
      <TextField
        label="Name"
        autoFocus
        value={name}
        problem={problem?.fields.name}
        onChange={(event) => setName(event.target.value)}
      />
      <CheckField
        label="With the things that stand in it"
        checked={withThings}
        onChange={(event) => setWithThings(event.target.checked)}
      />
      <FormProblem text={problem?.detail ?? null} />
      <Button type="submit" look="act" className="w-fit" disabled={!name.trim()}>
        Make it
      </Button>
    </form>
  )
}

function Compare({ setup }: { setup: SetupReply }) {
  const { data: setups } = useSetupNamesQuery()
  const [otherId, setOtherId] = useState(setup.variantOf ?? '')
  return (
    <div className="grid gap-4">
      <SelectField label="Setup" value={otherId} onChange={(event) => setOtherId(event.target.value)}>
        <option value="">Choose a setup</option>
        {setups
          ?.filter((it) => it.id !== setup.id)
          .map((it) => (
            <option key={it.id} value={it.id}>
              {it.code} {it.name}
            </option>
          ))}
      </SelectField>
      {otherId && <Differences id={otherId} otherId={setup.id} />}
    </div>
  )
}

function Without({ setup, bookingId }: { setup: SetupReply; bookingId: string | undefined }) {
  const [unitId, setUnitId] = useState('')
  const { currentData: data } = useWithoutQuery({ id: setup.id, bookingId, unitId }, { skip: !unitId })
  return (
    <div className="grid gap-4 text-[13px]">
      <SelectField label="Thing" value={unitId} onChange={(event) => setUnitId(event.target.value)}>
        <option value="">Choose a thing</option>
        {setup.roles.flatMap((role) =>
          role.things.flatMap(({ unitId: id }) => {
            const unit = setup.units.find((it) => it.id === id)
            const model = setup.models.find((it) => it.id === unit?.modelId)
            if (!unit || !model) return []
            return [
              <option key={unit.id} value={unit.id}>
                {unit.tag} {nameModel(model)}, {role.name}
              </option>,
            ]
          }),
        )}
      </SelectField>
      {data && (
        <>
          <p className="font-semibold" role="status">
            {sayVerdict(data)}
          </p>
          {data.empties.length > 0 && <p>Empty then: {data.empties.join(', ')}.</p>}
          <ReadinessDifferences change={data.change} same="Nothing changes: it is not needed here." />
          <ChangedFigures figures={data.figures} />
          <PairedStills setupId={setup.id} tag={setup.units.find((it) => it.id === unitId)?.tag ?? ''} />
        </>
      )}
    </div>
  )
}
