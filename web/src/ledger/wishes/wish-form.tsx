import { COUNTRIES, type WishRow } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { KindAndName, ToldFields } from '../../kit/entry/kind-and-name.tsx'
import { useWhatItIs } from '../../kit/entry/what-it-is.tsx'
import { UseFields } from './use-fields.tsx'
import { useAddWishMutation, useChangeWishMutation } from './wish-api.ts'
import { makeBlankWish, makeDraftOf, readPrices, type WishDraft } from './wish-draft.ts'
import { FurtherFields, PriceFields, WhyFields } from './wish-fields.tsx'

/** Wish for something, or change a wish. What it is is told as of any new thing, and nothing of it goes into the kit. */
export function WishForm({
  row,
  all,
  onDone,
}: {
  /** The wish that is changed; null makes a new one. */
  row: WishRow | null
  all: readonly WishRow[]
  onDone(): void
}) {
  const { today } = useTimeWords()
  const { data: studio } = useStudioQuery()
  const rate = COUNTRIES[studio?.country ?? 'GB'].taxRates[0] ?? 0
  const [draft, setDraft] = useState<WishDraft>(() => (row ? makeDraftOf(row, rate) : makeBlankWish(today, rate)))
  const it = useWhatItIs(row?.category ?? 'camera')
  const [isKindSaid, setKindSaid] = useState(row !== null)
  const [add] = useAddWishMutation()
  const [change] = useChangeWishMutation()
  const saving = useSaving(onDone)
  const set = (part: Partial<WishDraft>) => setDraft({ ...draft, ...part })
  const fields = saving.problem?.fields
  const useProblem = Object.entries(fields ?? {}).find(([key]) => key.startsWith('uses/'))?.[1]
  const save = (version = row?.version ?? 0) => {
    const body = { ...draft, prices: readPrices(draft.prices) }
    if (row) {
      saving.save(
        () => change({ id: row.id, version, body: { ...body, state: row.state, outcome: row.outcome } }).unwrap(),
        `${row.name} is changed.`,
      )
      return
    }
    const told = it.read()
    if (!told) return
    saving.save(
      () => add({ it: { category: it.category, maker: '', name: it.name.trim(), ...told }, ...body }).unwrap(),
      `${it.name.trim()} is wished for.`,
    )
  }
  const sold = Object.fromEntries(row?.sales.map((sale) => [sale.unitId, sale.tag]) ?? [])
  const others = all.filter((one) => one.id !== row?.id && (one.state === 'open' || draft.needsIds.includes(one.id)))
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      {!row && (
        <KindAndName
          it={it}
          isKindSaid={isKindSaid}
          problem={fields?.['it/name']}
          onKind={() => {
            setKindSaid(true)
            set({ uses: [] })
          }}
        />
      )}
      {!row && isKindSaid && <ToldFields it={it} fields={fields} />}
      <WhyFields draft={draft} set={set} />
      {isKindSaid && (
        <div>
          <UseFields category={it.category} uses={draft.uses} onChange={(uses) => set({ uses })} />
          {useProblem && <p className="text-[12px] font-semibold text-stop">{useProblem}</p>}
        </div>
      )}
      <PriceFields draft={draft} rate={rate} today={today} set={set} />
      <FurtherFields draft={draft} others={others} sold={sold} set={set} />
      <SavingFoot
        saving={saving}
        act={row ? 'Save the wish' : 'Wish for it'}
        isLocked={!isKindSaid}
        onMine={save}
        onTheirs={onDone}
      />
    </form>
  )
}
