import { PURPOSES, type Purpose, sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useSetupNamesQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Empty, PageHead, Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { LedgerTabs } from '../wishes/ledger-tabs.tsx'
import { useAddKitPlanMutation, useKitPlansQuery } from './kit-api.ts'

/** Kits that are planned: for which setup, at how many sums of money. */
export function KitsPage() {
  const { data, error, refetch } = useKitPlansQuery()
  const [params, setParams] = useSearchParams()
  const may = useMay()
  if (!data) return <Waiting what="the kits" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Kits" aside={sayNumber(data.length, 'kit')}>
        {may('change-ledger') && (
          <Button look="act" onClick={() => setParams({ add: 'kit' })}>
            Plan a kit
          </Button>
        )}
      </PageHead>
      <LedgerTabs />
      <div className="px-4 pb-16 md:px-5">
        {data.length === 0 ? (
          <Empty title="No kit is planned">
            Say what it is for and how much money there is. Write down what might be bought, with prices, and this works
            out a whole kit for each sum: nothing forgotten, tax in, and what goes on into the next.
          </Empty>
        ) : (
          <Section title="Planned" aside={String(data.length)}>
            <ul>
              {data.map((it) => (
                <li key={it.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2.5">
                  <Link to={`/ledger/kits/${it.id}`} className="font-semibold">
                    {it.name}
                  </Link>
                  <TapeStrip code={it.setup.code} tape={it.setup.tape} name={it.setup.name} size="small" />
                  <span className="text-[13px] text-quiet">
                    {sayNumber(it.tiers, 'sum')}, {sayNumber(it.options, 'thing')} to choose from
                    {it.isTaken && ', one was taken on'}
                  </span>
                </li>
              ))}
            </ul>
          </Section>
        )}
      </div>
      <SheetDialog title="Plan a kit" open={params.get('add') === 'kit'} onClose={() => setParams({})}>
        <NewKitForm />
      </SheetDialog>
    </>
  )
}

const PURPOSE = 'purpose:'

/** For what it is: a setup that is here, or a new one of a purpose. */
function NewKitForm() {
  const { data: setups } = useSetupNamesQuery()
  const [name, setName] = useState('')
  const [target, setTarget] = useState('')
  const [add] = useAddKitPlanMutation()
  const navigate = useNavigate()
  const saving = useSaving(() => {})
  const fields = saving.problem?.fields
  const isNew = target.startsWith(PURPOSE)
  const save = () =>
    saving.save(async () => {
      const plan = await add({
        name: name.trim(),
        setupId: isNew || target === '' ? null : target,
        purpose: isNew ? (target.slice(PURPOSE.length) as Purpose) : null,
      }).unwrap()
      navigate(`/ledger/kits/${plan.id}`)
      return plan
    }, `${name.trim()} is planned.`)
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      <TextField
        label="What it is called"
        placeholder="Podcast for two"
        required
        autoFocus
        value={name}
        problem={fields?.name}
        onChange={(event) => setName(event.target.value)}
      />
      <SelectField
        label="For"
        required
        value={target}
        problem={fields?.setupId}
        onChange={(event) => setTarget(event.target.value)}
      >
        <option value="">Choose</option>
        <optgroup label="A new setup">
          {Object.entries(PURPOSES).flatMap(([code, label]) =>
            code === 'other'
              ? []
              : [
                  <option key={code} value={PURPOSE + code}>
                    {label}
                  </option>,
                ],
          )}
        </optgroup>
        {setups && setups.length > 0 && (
          <optgroup label="A setup that is here">
            {setups.map((it) => (
              <option key={it.id} value={it.id}>
                {it.code} {it.name}
              </option>
            ))}
          </optgroup>
        )}
      </SelectField>
      <p className="text-[12px] text-quiet">
        A new setup is made with the roles that its purpose usually has. They can be changed on its page, and so can the
        room and the circuit.
      </p>
      <SavingFoot saving={saving} act="Plan it" onMine={save} onTheirs={() => {}} />
    </form>
  )
}
