import {
  ACQUISITION_CODES,
  type Acquisition,
  COVER_ACCIDENTS,
  formatMoney,
  INTEREST_KIND_CODES,
  INTEREST_KINDS,
  type Provenance,
  readPercent,
  reckonGift,
  type UnitReply,
  weighCover,
} from '@exemplar/core'
import { useState } from 'react'
import { useChangeUnitMutation, useStudioQuery } from '../../foundation/api/api.ts'
import { CheckField, NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { AcquisitionOptions, PartyOptions } from '../../foundation/form/options.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { useFilmsQuery } from '../../studio/studio-api.ts'

interface DutyRow {
  id: string
  what: string
  dueOn: string
  doneOn: string
  filmId: string
}

/** How a thing came here, and what came with it: each way asks for what it brings. */
export function ProvenanceForm({ page: latest, onClose }: { page: UnitReply; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [page] = useState(latest)
  const { unit } = page
  const [change] = useChangeUnitMutation()
  const { data: studio } = useStudioQuery()
  const { data: films } = useFilmsQuery()
  const saving = useSaving(onClose)
  const [draft, setDraft] = useState(unit.provenance)
  const [duties, setDuties] = useState<DutyRow[]>(
    unit.provenance.duties.map((it, at) => ({
      id: `d${at}`,
      what: it.what,
      dueOn: it.dueOn ?? '',
      doneOn: it.doneOn ?? '',
      filmId: it.filmId ?? '',
    })),
  )
  const [acquisition, setAcquisition] = useState<Acquisition>(unit.acquisition)
  const [basics, setBasics] = useState({
    acquiredOn: unit.acquiredOn ?? '',
    partyId: unit.partyId ?? '',
    priceMinor: unit.priceMinor,
  })
  const set = (part: Partial<Provenance>) => setDraft({ ...draft, ...part })
  const text = (key: 'warrantyTerms' | 'interest' | 'conditionOnArrival' | 'reason' | 'disclosure') => ({
    value: draft[key],
    onChange: (event: { target: { value: string } }) => set({ [key]: event.target.value }),
  })
  const day = (key: 'valueOn' | 'warrantyUntil' | 'interestUntil') => ({
    type: 'date',
    value: draft[key] ?? '',
    onChange: (event: { target: { value: string } }) => set({ [key]: event.target.value || null }),
  })
  const isGiven = ['gift', 'sample', 'sponsored'].includes(acquisition)
  const submit = (version = page.version) => {
    const kept = duties.filter((it) => it.what.trim())
    const body = {
      acquisition,
      acquiredOn: basics.acquiredOn || null,
      partyId: basics.partyId || null,
      priceMinor: basics.priceMinor,
      provenance: {
        ...draft,
        duties: kept.map(({ what, dueOn, doneOn, filmId }) => ({
          ...{ what, dueOn: dueOn || null },
          ...{ doneOn: doneOn || null, filmId: filmId || null },
        })),
      },
    }
    return saving.save(() => change({ id: unit.id, version, body }).unwrap(), `${unit.tag} changed.`)
  }
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <SelectField
        label="How it came"
        value={acquisition}
        onChange={(event) => setAcquisition(ACQUISITION_CODES.find((it) => it === event.target.value) ?? 'found')}
      >
        <AcquisitionOptions />
      </SelectField>
      <SelectField
        label="From whom"
        value={basics.partyId}
        onChange={(event) => setBasics({ ...basics, partyId: event.target.value })}
      >
        <PartyOptions none="Not recorded" />
      </SelectField>
      <TextField
        label="Since"
        type="date"
        value={basics.acquiredOn}
        onChange={(event) => setBasics({ ...basics, acquiredOn: event.target.value })}
      />
      <MoneyField
        label="Price, net"
        value={basics.priceMinor}
        onChange={(priceMinor) => setBasics({ ...basics, priceMinor })}
      />
      <MoneyField label="Tax on it" value={draft.taxMinor} onChange={(taxMinor) => set({ taxMinor })} />
      {acquisition === 'bought-new' || acquisition === 'bought-used' ? (
        <CheckField
          label="Nothing was let off: it was paid in full"
          checked={draft.paidInFull}
          onChange={(event) => set({ paidInFull: event.target.checked })}
        />
      ) : (
        <span className="max-md:hidden" />
      )}
      <MoneyField
        label="Worth, for the books"
        value={draft.valueMinor}
        onChange={(valueMinor) => set({ valueMinor })}
      />
      <TextField label="Worth that on" {...day('valueOn')} />
      <MoneyField
        label="To buy it anew"
        value={draft.replacementMinor}
        onChange={(replacementMinor) => set({ replacementMinor })}
      />
      <MoneyField label="Insured for" value={draft.insuredMinor} onChange={(insuredMinor) => set({ insuredMinor })} />
      <TextField label="Warranty until" {...day('warrantyUntil')} />
      <TextField label="Its terms" hint="Who repairs, what is left out" {...text('warrantyTerms')} />
      <CoverFields draft={draft} set={set} />
      <TextField label="Condition at arrival" hint="Add photos on its page" {...text('conditionOnArrival')} />
      <TextField label="Why this one" {...text('reason')} />
      <TextField label="Interest in its sale" hint="A code for viewers, a share by a link" {...text('interest')} />
      <SelectField
        label="Whom that serves"
        value={draft.interestKind}
        onChange={(event) =>
          set({ interestKind: INTEREST_KIND_CODES.find((it) => it === event.target.value) ?? 'unsaid' })
        }
      >
        {INTEREST_KIND_CODES.map((it) => (
          <option key={it} value={it}>
            {INTEREST_KINDS[it]}
          </option>
        ))}
      </SelectField>
      <TextField label="That holds until" {...day('interestUntil')} />
      <ViewerCodeFields
        code={draft.viewerCode}
        problem={saving.problem?.paths}
        onChange={(viewerCode) => set({ viewerCode })}
      />
      <div className="md:col-span-2">
        <NoteField
          label="Sentence to show with a film"
          hint="Left blank, it is made from how the thing came"
          {...text('disclosure')}
        />
      </div>
      <div className="md:col-span-2">
        <RowsField
          legend="Promised for it"
          add="Add a promise"
          rows={duties}
          blank={() => ({ id: crypto.randomUUID(), what: '', dueOn: '', doneOn: '', filmId: '' })}
          onChange={setDuties}
        >
          {(row, setRow) => (
            <>
              <TextField label="What" value={row.what} onChange={(event) => setRow({ what: event.target.value })} />
              <TextField
                label="By"
                type="date"
                value={row.dueOn}
                onChange={(event) => setRow({ dueOn: event.target.value })}
              />
              <TextField
                label="Done on"
                type="date"
                value={row.doneOn}
                onChange={(event) => setRow({ doneOn: event.target.value })}
              />
              {films && films.length > 0 && (
                <SelectField
                  label="By the film"
                  value={row.filmId}
                  onChange={({ target: { value } }) => {
                    const film = films.find((it) => it.id === value)
                    setRow({ filmId: value, ...(film && !row.doneOn ? { doneOn: film.on } : {}) })
                  }}
                >
                  <option value="">None, or not said</option>
                  {films.map((it) => (
                    <option key={it.id} value={it.id}>
                      {it.title}
                    </option>
                  ))}
                </SelectField>
              )}
            </>
          )}
        </RowsField>
      </div>
      {isGiven && draft.valueMinor !== null && (
        <div className="md:col-span-2">
          <GiftReckoning
            valueMinor={draft.valueMinor}
            currency={studio?.currency ?? 'GBP'}
            taxBasisPoints={studio?.giftTaxBasisPoints ?? null}
          />
        </div>
      )}
      <div className="grid gap-3 md:col-span-2">
        <SavingFoot saving={saving} act="Save" onMine={submit} onTheirs={onClose} />
      </div>
    </form>
  )
}

/** Cover bought beside the warranty, what to do for a claim, and what it costs against what it is for. */
function CoverFields({ draft, set }: { draft: Provenance; set(part: Partial<Provenance>): void }) {
  const [days, setDays] = useState(String(draft.claimDays ?? ''))
  const isWhole = /^\d{0,3}$/.test(days.trim())
  const worth = weighCover(draft.coverYearMinor, draft.replacementMinor ?? draft.valueMinor)
  return (
    <>
      <TextField
        label="Cover until"
        hint="Beside the warranty: bought cover, an insurance"
        type="date"
        value={draft.coverUntil ?? ''}
        onChange={(event) => set({ coverUntil: event.target.value || null })}
      />
      <SelectField
        label="What falls or is spilt on"
        value={draft.coverAccidents}
        onChange={(event) => set({ coverAccidents: event.target.value as Provenance['coverAccidents'] })}
      >
        {Object.entries(COVER_ACCIDENTS).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      <MoneyField
        label="Cover costs a year"
        value={draft.coverYearMinor}
        onChange={(coverYearMinor) => set({ coverYearMinor })}
      />
      <TextField
        label="To be claimed within so many days"
        inputMode="numeric"
        value={days}
        unread={isWhole ? undefined : 'A whole number of days.'}
        onChange={(event) => {
          setDays(event.target.value)
          const text = event.target.value.trim()
          if (/^\d{0,3}$/.test(text)) set({ claimDays: text === '' ? null : Number(text) })
        }}
      />
      <div className="md:col-span-2">
        <NoteField
          label="How to claim"
          hint="Whom to call, which papers, what not to do before"
          value={draft.claimSteps}
          maxLength={600}
          onChange={(event) => set({ claimSteps: event.target.value })}
        />
      </div>
      {worth && (
        <p className="text-[13px] text-quiet md:col-span-2">
          The cover costs {Math.round(worth.share * 1000) / 10} % of another each year: it pays if this is lost more
          often than once in {Math.round(worth.breakEvenYears * 10) / 10} years. What the log says of such things stands
          under Reliability.
        </p>
      )}
    </>
  )
}

/** A code for viewers, with how much it takes off and its last day; no code, none of it. */
function ViewerCodeFields({
  code,
  problem,
  onChange,
}: {
  code: Provenance['viewerCode']
  problem: Readonly<Record<string, string>> | undefined
  onChange(code: Provenance['viewerCode']): void
}) {
  const [percent, setPercent] = useState(String(code?.percent ?? ''))
  const typed = readPercent(percent)
  const set = (part: Partial<NonNullable<Provenance['viewerCode']>>) => {
    const next = { code: code?.code ?? '', percent: code?.percent ?? null, until: code?.until ?? null, ...part }
    onChange(next.code.trim() === '' && next.percent === null && next.until === null ? null : next)
  }
  return (
    <div className="grid gap-3 md:col-span-2 md:grid-cols-3">
      <TextField
        label="Code for viewers"
        value={code?.code ?? ''}
        problem={problem?.['provenance/viewerCode/code']}
        onChange={(event) => set({ code: event.target.value })}
      />
      <TextField
        label="It takes off, %"
        inputMode="decimal"
        value={percent}
        problem={
          percent.trim() !== '' && typed === null
            ? 'A share of 0 to 100, such as 10.'
            : problem?.['provenance/viewerCode/percent']
        }
        onChange={(event) => {
          setPercent(event.target.value)
          const read = readPercent(event.target.value)
          // What is no share is sent as none at all, which is refused at this field: nothing is let fall.
          set({ percent: event.target.value.trim() === '' ? null : (read ?? 0) / 100 })
        }}
      />
      <TextField
        label="The code's last day"
        type="date"
        value={code?.until ?? ''}
        onChange={(event) => set({ until: event.target.value || null })}
      />
    </div>
  )
}

/** Would we have bought it anyway? What is left of a gift after tax and the hours that were promised for it. */
function GiftReckoning({
  valueMinor,
  currency,
  taxBasisPoints,
}: {
  valueMinor: number
  currency: string
  taxBasisPoints: number | null
}) {
  const [taxPercent, setTaxPercent] = useState(taxBasisPoints === null ? '20' : String(taxBasisPoints / 100))
  const [hours, setHours] = useState('')
  const [hourMinor, setHourMinor] = useState<number | null>(null)
  const percent = Number(taxPercent)
  const time = Number(hours)
  const isRead = Number.isFinite(percent) && percent >= 0 && Number.isFinite(time) && time >= 0
  const { taxMinor, hoursMinor, netMinor } = reckonGift({
    valueMinor,
    taxBasisPoints: isRead ? Math.round(percent * 100) : 0,
    hours: isRead ? time : 0,
    hourMinor: hourMinor ?? 0,
  })
  const say = (minor: number) => formatMoney(minor, currency)
  return (
    <fieldset className="border border-rule-strong p-3">
      <legend className="px-1 text-[12px] font-semibold">Is the gift worth taking?</legend>
      <div className="grid grid-cols-3 gap-3">
        <TextField
          label="Tax on its worth, %"
          inputMode="decimal"
          value={taxPercent}
          onChange={(event) => setTaxPercent(event.target.value)}
        />
        <TextField
          label="Hours promised for it"
          inputMode="decimal"
          value={hours}
          onChange={(event) => setHours(event.target.value)}
        />
        <MoneyField label="An hour of ours" value={hourMinor} onChange={setHourMinor} />
      </div>
      <p className="mt-2 text-[13px]" aria-live="polite">
        {say(valueMinor)} worth − {say(taxMinor)} tax − {say(hoursMinor)} of work = <b>{say(netMinor)}</b>
        {netMinor < 0 && ': it costs more than it brings.'}
      </p>
      <p className="text-[12px] text-quiet">
        A planning aid, no tax advice. Whether a gift is taxed, your country decides.
      </p>
    </fieldset>
  )
}
