import {
  AWAY_STAGES,
  type BodyOf,
  listNextStages,
  type NewRepair,
  REPAIR_CLAIM_CODES,
  REPAIR_CLAIMS,
  REPAIR_STAGES,
  type RepairClaim,
  type RepairsReply,
} from '@exemplar/core'
import { useState } from 'react'
import type { Problem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { NoteField, SelectField, TextField } from '../foundation/form/field.tsx'
import { MoneyField } from '../foundation/form/money-field.tsx'
import { PartyOptions } from '../foundation/form/options.tsx'
import { Button } from '../foundation/parts/button.tsx'

type Repair = RepairsReply['repairs'][number]

function ClaimField({ claim, onChange }: { claim: RepairClaim; onChange(claim: RepairClaim): void }) {
  return (
    <SelectField
      label="Who pays"
      value={claim}
      onChange={(event) => onChange(REPAIR_CLAIM_CODES.find((it) => it === event.target.value) ?? 'own')}
    >
      {REPAIR_CLAIM_CODES.map((code) => (
        <option key={code} value={code}>
          {REPAIR_CLAIMS[code]}
        </option>
      ))}
    </SelectField>
  )
}

/** Begins a repair: whom to ask, and who pays as its papers say. */
export function BeginRepairForm({
  faultId,
  claim: usual,
  claimSteps,
  problem,
  onSave,
}: {
  faultId: string | null
  claim: RepairClaim
  claimSteps: string
  problem: Problem | null
  onSave(repair: NewRepair): void
}) {
  const [draft, setDraft] = useState({ claim: usual, partyId: '', reference: '', note: '' })
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const { claim, partyId, reference, note } = draft
        onSave({
          faultId,
          claim,
          partyId: partyId || null,
          reference: reference.trim(),
          dueOn: null,
          note: note.trim(),
        })
      }}
    >
      <SelectField label="Whom to ask" value={draft.partyId} onChange={(event) => set({ partyId: event.target.value })}>
        <PartyOptions none="Not known yet" />
      </SelectField>
      <ClaimField claim={draft.claim} onChange={(claim) => set({ claim })} />
      {claimSteps && <p className="text-[13px] text-quiet">How to claim: {claimSteps}</p>}
      <TextField
        label="Their number for it"
        value={draft.reference}
        maxLength={80}
        problem={problem?.fields.reference}
        onChange={(event) => set({ reference: event.target.value })}
      />
      <NoteField label="Note" value={draft.note} onChange={(event) => set({ note: event.target.value })} />
      {problem && <p className="text-[13px] text-stop">{problem.detail}</p>}
      <Button look="act" type="submit" className="w-fit">
        Ask for it
      </Button>
    </form>
  )
}

/** Says how far a repair has come. */
export function RepairStepForm({
  repair,
  today,
  problem,
  onSave,
}: {
  repair: Repair
  today: string
  problem: Problem | null
  onSave(body: BodyOf<'put /repairs/:id'>): void
}) {
  const next = listNextStages(repair.stage)
  const [draft, setDraft] = useState({
    stage: next[0] ?? repair.stage,
    claim: repair.claim,
    partyId: repair.partyId ?? '',
    reference: repair.reference,
    dueOn: repair.dueOn ?? '',
    quoteMinor: repair.quoteMinor,
    costMinor: repair.costMinor,
    taxMinor: null as number | null,
    note: repair.note,
    on: today,
  })
  const may = useMay()
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const { stage } = draft
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const { partyId, dueOn, ...rest } = draft
        onSave({ ...rest, partyId: partyId || null, dueOn: dueOn || null, reference: rest.reference.trim() })
      }}
    >
      <SelectField
        label="It is now"
        value={stage}
        onChange={(event) => set({ stage: next.find((it) => it === event.target.value) ?? repair.stage })}
      >
        {[...next, repair.stage].map((code) => (
          <option key={code} value={code}>
            {REPAIR_STAGES[code]}
            {code === repair.stage ? ' (as it was)' : ''}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Since"
        type="date"
        max={today}
        value={draft.on}
        problem={problem?.fields.on}
        onChange={(event) => set({ on: event.target.value })}
      />
      <SelectField
        label="Who has it, or is asked"
        value={draft.partyId}
        problem={problem?.fields.partyId}
        onChange={(event) => set({ partyId: event.target.value })}
      >
        <PartyOptions none="Not known yet" />
      </SelectField>
      <TextField
        label="Their number for it"
        value={draft.reference}
        maxLength={80}
        onChange={(event) => set({ reference: event.target.value })}
      />
      <ClaimField claim={draft.claim} onChange={(claim) => set({ claim })} />
      {AWAY_STAGES.has(stage) && (
        <TextField
          label="Hoped back on"
          type="date"
          value={draft.dueOn}
          onChange={(event) => set({ dueOn: event.target.value })}
        />
      )}
      {may('see-money') && (stage === 'quoted' || stage === 'mending') && (
        <MoneyField label="Quoted, net" value={draft.quoteMinor} onChange={(quoteMinor) => set({ quoteMinor })} />
      )}
      {may('see-money') && stage === 'done' && (
        <>
          <MoneyField label="What it cost, net" value={draft.costMinor} onChange={(costMinor) => set({ costMinor })} />
          <MoneyField label="Tax on it" value={draft.taxMinor} onChange={(taxMinor) => set({ taxMinor })} />
        </>
      )}
      <NoteField
        label={stage === 'done' ? 'How it was tried' : 'Note'}
        value={draft.note}
        onChange={(event) => set({ note: event.target.value })}
      />
      <p className="text-[13px] text-quiet">{sayStep(stage)}</p>
      {problem && <p className="text-[13px] text-stop">{problem.fields.stage ?? problem.detail}</p>}
      <Button look="act" type="submit" className="w-fit" disabled={!draft.on}>
        Save
      </Button>
    </form>
  )
}

function sayStep(stage: keyof typeof REPAIR_STAGES): string {
  if (AWAY_STAGES.has(stage)) return 'It is away: no setup and no booking counts on it.'
  switch (stage) {
    case 'back':
      return 'It is here again. A fault for which it could not be used stays open until it was tried.'
    case 'done':
      return 'Its fault is closed, and what it cost stands in the ledger.'
    case 'given-up':
      return 'It is not mended: what cannot be used is retired.'
    default:
      return ''
  }
}
