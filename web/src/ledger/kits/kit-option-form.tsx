import {
  COUNTRIES,
  isHelperKind,
  KIT_GRADES,
  type KitOption,
  type KitPlanPage,
  OPTION_USES,
  STARTER_MODELS,
} from '@exemplar/core'
import { useEffect, useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { NumberField } from '../../foundation/form/number-field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { KindAndName, ToldFields } from '../../kit/entry/kind-and-name.tsx'
import { useWhatItIs } from '../../kit/entry/what-it-is.tsx'
import { draftPrice, makePrice, readPrices } from '../wishes/wish-draft.ts'
import { PriceRowFields } from '../wishes/wish-fields.tsx'
import { useAddKitOptionMutation, useChangeKitPlanMutation } from './kit-api.ts'
import { bodyOf } from './kit-settings.tsx'

type Terms = Omit<KitOption, 'id' | 'modelId' | 'price'>

/** So many pieces of what is plugged in, put in and stood on may be wanted, and two of anything else. */
const usualMost = (isHelper: boolean) => (isHelper ? 4 : 2)

function TermsFields({ terms, set }: { terms: Terms; set(part: Partial<Terms>): void }) {
  return (
    <>
      <NumberField
        label="So many at most"
        value={terms.most}
        least={1}
        most={12}
        onChange={(most) => most !== null && set({ most })}
      />
      <SelectField
        label="How good it is"
        value={terms.grade}
        onChange={(event) => set({ grade: Number(event.target.value) as Terms['grade'] })}
      >
        {Object.entries(KIT_GRADES).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="In the kits"
        value={terms.use}
        onChange={(event) => set({ use: event.target.value as Terms['use'] })}
      >
        {Object.entries(OPTION_USES).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
    </>
  )
}

const useRate = () => {
  const { data: studio } = useStudioQuery()
  return COUNTRIES[studio?.country ?? 'GB'].taxRates[0] ?? 0
}

/** One more thing of which the kits may be made: what it is, and what it costs. */
export function AddOptionForm({
  plan,
  starter,
  onDone,
}: {
  plan: KitPlanPage
  /** The common thing to begin with; null lets one choose. */
  starter: string | null
  onDone(): void
}) {
  const { today } = useTimeWords()
  const rate = useRate()
  const it = useWhatItIs('camera')
  const [isKindSaid, setKindSaid] = useState(false)
  const [price, setPrice] = useState(() => makePrice(today, rate))
  const [terms, setTerms] = useState<Terms>({ most: 2, grade: 1, use: 'may' })
  const [isMostSaid, setMostSaid] = useState(false)
  const [add] = useAddKitOptionMutation()
  const saving = useSaving(onDone)
  const fields = saving.problem?.fields
  // biome-ignore lint/correctness/useExhaustiveDependencies: taken once, when the form opens
  useEffect(() => {
    if (starter === null || !STARTER_MODELS.some((one) => one.name === starter)) return
    it.takeStarter(starter)
    setKindSaid(true)
  }, [starter])
  const most = isMostSaid ? terms.most : usualMost(isHelperKind(it.category))
  const save = (version = plan.version) => {
    const told = it.read()
    if (!told) return
    const body = {
      it: { category: it.category, maker: '', name: it.name.trim(), ...told },
      ...terms,
      most,
      price: readPrices([price])[0] ?? null,
    }
    saving.save(() => add({ id: plan.id, version, body }).unwrap(), `${it.name.trim()} may be chosen.`)
  }
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      <KindAndName
        it={it}
        isKindSaid={isKindSaid}
        problem={fields?.['it/name']}
        hasFocus={starter === null}
        onKind={() => setKindSaid(true)}
      />
      <fieldset className="grid grid-cols-2 gap-2 md:grid-cols-4">
        <legend className="mb-1 text-[12px] font-semibold">Price of one</legend>
        <PriceRowFields row={price} change={(part) => setPrice({ ...price, ...part })} />
      </fieldset>
      {fields?.['price/on'] && <p className="text-[12px] font-semibold text-stop">{fields['price/on']}</p>}
      <div className="grid grid-cols-2 gap-2 md:grid-cols-4">
        <TermsFields
          key={most}
          terms={{ ...terms, most }}
          set={(part) => {
            if (part.most !== undefined) setMostSaid(true)
            setTerms({ ...terms, most, ...part })
          }}
        />
      </div>
      {isKindSaid && <ToldFields it={it} fields={fields} />}
      <SavingFoot saving={saving} act="It may be chosen" isLocked={!isKindSaid} onMine={save} onTheirs={onDone} />
    </form>
  )
}

/** Price, number and grade of something that may be chosen; or it is none of them any more. */
export function ChangeOptionForm({
  plan,
  option,
  name,
  onDone,
}: {
  plan: KitPlanPage
  option: KitOption
  name: string
  onDone(): void
}) {
  const { today } = useTimeWords()
  const rate = useRate()
  const [price, setPrice] = useState(() => (option.price ? draftPrice(option.price, rate) : makePrice(today, rate)))
  const [terms, setTerms] = useState<Terms>({ most: option.most, grade: option.grade, use: option.use })
  const [change] = useChangeKitPlanMutation()
  const saving = useSaving(onDone)
  const at = plan.options.findIndex((it) => it.id === option.id)
  const send = (options: KitOption[], version: number, told: string) =>
    saving.save(() => change({ id: plan.id, version, body: { ...bodyOf(plan), options } }).unwrap(), told)
  const save = (version = plan.version) =>
    send(
      plan.options.map((it) => (it.id === option.id ? { ...it, ...terms, price: readPrices([price])[0] ?? null } : it)),
      version,
      `${name} is changed.`,
    )
  const problem = saving.problem?.fields?.[`options/${at}/price/on`]
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      <fieldset className="grid grid-cols-2 gap-2 md:grid-cols-4">
        <legend className="mb-1 text-[12px] font-semibold">Price of one</legend>
        <PriceRowFields row={price} change={(part) => setPrice({ ...price, ...part })} />
      </fieldset>
      {problem && <p className="text-[12px] font-semibold text-stop">{problem}</p>}
      <div className="grid grid-cols-2 gap-2 md:grid-cols-4">
        <TermsFields terms={terms} set={(part) => setTerms({ ...terms, ...part })} />
      </div>
      <SavingFoot saving={saving} act="Save" onMine={save} onTheirs={onDone} />
      <Button
        size="small"
        className="w-fit"
        disabled={saving.isSaving}
        onClick={() =>
          send(
            plan.options.filter((it) => it.id !== option.id),
            plan.version,
            `${name} is off the list.`,
          )
        }
      >
        Take it off the list
      </Button>
    </form>
  )
}
