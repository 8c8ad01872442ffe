import {
  ABILITIES,
  type AbilityCode,
  type BodyOf,
  KIT_BASES,
  type KitPlanPage,
  kitPlanChangeSchema,
  WEIGHTINGS,
} from '@exemplar/core'
import { useState } from 'react'
import { CheckField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { NumberField } from '../../foundation/form/number-field.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { type AskedAbility, Least } from '../../kit/list/ability-fields.tsx'
import { useChangeKitPlanMutation } from './kit-api.ts'

/** A kit as it is sent: what its form changes, and the rest as it is. */
export const bodyOf = (plan: KitPlanPage): BodyOf<'put /kit-plans/:id'> => kitPlanChangeSchema.parse(plan)

interface SumDraft {
  id: string
  name: string
  budgetMinor: number | null
  afterFilms: number | null
}
type MustDraft = AskedAbility & { id: string; roleId: string }

let count = 0
const nextId = (what: string) => `${what}-${Date.now().toString(36)}-${++count}`

/** For how much money kits are worked out, from what, what counts more, and what a role asks of whatever fills it. */
export function KitSettingsForm({ plan, onDone }: { plan: KitPlanPage; onDone(): void }) {
  const [name, setName] = useState(plan.name)
  const [base, setBase] = useState(plan.base)
  const [isStills, setStills] = useState(plan.isStills)
  const [weighting, setWeighting] = useState(plan.weighting)
  const [sums, setSums] = useState<SumDraft[]>(() =>
    plan.tiers.length > 0 ? plan.tiers : [{ id: nextId('tier'), name: 'First', budgetMinor: null, afterFilms: null }],
  )
  const [musts, setMusts] = useState<MustDraft[]>(() =>
    plan.musts.flatMap(({ roleId, wants }) => wants.map((it) => ({ ...it, id: nextId('must'), roleId }))),
  )
  const [change] = useChangeKitPlanMutation()
  const saving = useSaving(onDone)
  const fields = saving.problem?.fields
  const save = (version = plan.version) => {
    const asked = musts.flatMap(({ roleId, code, least }) =>
      code !== '' && roleId !== '' ? [{ roleId, want: { code: code as AbilityCode, least: least ?? 0 } }] : [],
    )
    const body = {
      ...bodyOf(plan),
      ...{ name: name.trim(), base, isStills, weighting },
      tiers: sums.flatMap(({ budgetMinor, ...it }) =>
        budgetMinor === null ? [] : [{ ...it, name: it.name.trim(), budgetMinor }],
      ),
      musts: [...new Set(asked.map((it) => it.roleId))].map((roleId) => ({
        roleId,
        wants: asked.filter((it) => it.roleId === roleId).map((it) => it.want),
      })),
    }
    saving.save(() => change({ id: plan.id, version, body }).unwrap(), `${name.trim()} is worked out anew.`)
  }
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      <TextField
        label="What it is called"
        required
        value={name}
        problem={fields?.name}
        onChange={(event) => setName(event.target.value)}
      />
      <RowsField
        legend="For how much money, everything in"
        add="Another sum beside it"
        rows={sums}
        blank={(): SumDraft => ({ id: nextId('tier'), name: '', budgetMinor: null, afterFilms: null })}
        onChange={setSums}
      >
        {(row, set, at) => (
          <>
            <TextField
              label="Called"
              placeholder="First"
              required
              value={row.name}
              problem={fields?.[`tiers/${at}/name`]}
              onChange={(event) => set({ name: event.target.value })}
            />
            <MoneyField label="At most" value={row.budgetMinor} onChange={(budgetMinor) => set({ budgetMinor })} />
            <NumberField
              label="Only after films"
              hint="published by then; none asks for none"
              value={row.afterFilms}
              most={999}
              onChange={(afterFilms) => set({ afterFilms: afterFilms || null })}
            />
          </>
        )}
      </RowsField>
      <fieldset className="grid gap-1">
        <legend className="text-[12px] font-semibold">Put together from</legend>
        {Object.entries(KIT_BASES).map(([code, label]) => (
          <label key={code} className="flex min-h-7 items-center gap-1.5 text-[13px]">
            <input
              type="radio"
              name="base"
              className="size-4 accent-(--ink)"
              checked={base === code}
              onChange={() => setBase(code as typeof base)}
            />
            {label}
          </label>
        ))}
      </fieldset>
      <CheckField
        label="Stills only: without the roles of sound"
        checked={isStills}
        onChange={() => setStills(!isStills)}
      />
      <SelectField
        label="What counts more"
        value={weighting}
        onChange={(event) => setWeighting(event.target.value as typeof weighting)}
      >
        {Object.entries(WEIGHTINGS).map(([code, { label }]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      <RowsField
        legend="What a role has to be able to do"
        add="Ask something of a role"
        rows={musts}
        blank={(): MustDraft => ({ id: nextId('must'), roleId: '', code: '', least: null })}
        onChange={setMusts}
      >
        {(row, set) => (
          <>
            <SelectField
              label="Whatever fills"
              required
              value={row.roleId}
              onChange={(event) => set({ roleId: event.target.value })}
            >
              <option value="">Choose</option>
              {plan.setup.roles.map((it) => (
                <option key={it.id} value={it.id}>
                  {it.name}
                </option>
              ))}
            </SelectField>
            <SelectField
              label="Does this"
              required
              value={row.code}
              onChange={(event) => set({ code: event.target.value as AbilityCode | '', least: null })}
            >
              <option value="">Choose</option>
              {Object.entries(ABILITIES).map(([code, { label }]) => (
                <option key={code} value={code}>
                  {label}
                </option>
              ))}
            </SelectField>
            {row.code !== '' && <Least code={row.code} least={row.least} onChange={(least) => set({ least })} />}
          </>
        )}
      </RowsField>
      <SavingFoot saving={saving} act="Work it out" onMine={save} onTheirs={onDone} />
    </form>
  )
}
