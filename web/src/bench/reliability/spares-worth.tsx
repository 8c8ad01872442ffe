import {
  countSpares,
  formatMoney,
  type Hanging,
  type ReliabilityRecord,
  type ReliabilityReply,
  rankSpares,
  sayNumber,
} from '@exemplar/core'
import { useMemo } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { sayShoots } from './reliability-words.ts'

const SHOWN = 8
/** Spares are told that are enough in so large a share of such times. */
const TARGET = 0.95

interface Props {
  hanging: Hanging
  records: readonly ReliabilityRecord[]
  shoots: ReliabilityReply['shoots']
}

/** What one more of something would be worth: shoots that would run, and what each costs by it. */
export function SparesWorth({ hanging, records, shoots }: Props) {
  const { data: studio } = useStudioQuery()
  const may = useMay()
  const spares = useMemo(() => listSpares(hanging, records), [hanging, records])
  const say = (minor: number) => formatMoney(minor, studio?.currency ?? 'GBP')
  const titleOf = (id: string) => shoots.find((it) => it.id === id)?.title ?? ''
  if (spares.length === 0) return null
  return (
    <Section title="Which spare helps most" aside={may('see-money') ? 'for the money' : undefined}>
      <ol>
        {spares.slice(0, SHOWN).map((it) => (
          <li key={it.modelId} className="border-b border-rule py-2 text-[13px]">
            <span className="font-semibold">One more {it.name}</span>: {sayShoots(it.shoots)} of the shoots ahead saved
            {may('see-money') &&
              (it.priceMinor === null
                ? '. What another costs is not recorded: write it under “Acquisition”.'
                : it.perShootMinor !== null && `. At ${say(it.priceMinor)} that is ${say(it.perShootMinor)} for each.`)}
            <span className="block text-[12px] text-quiet">
              Helps most: {it.helps.slice(0, 2).map(titleOf).join(', ')}
              {it.helps.length > 2 && ` and ${it.helps.length - 2} more`}. {sayEnough(it)}
            </span>
          </li>
        ))}
      </ol>
    </Section>
  )
}

type Spare = ReturnType<typeof listSpares>[number]

function sayEnough({ expected, enough }: Spare): string {
  const failures = `${sayShoots(expected)} failures of it are expected in the shoots ahead`
  if (enough === 0) return `${failures}: in 19 of 20 such times none is needed at once.`
  return `${failures}: ${sayNumber(enough ?? 0, 'spare')} would be enough in 19 of 20 such times, if none is back before the end.`
}

function listSpares(hanging: Hanging, records: readonly ReliabilityRecord[]) {
  const recordOf = new Map(records.map((it) => [it.unitId, it]))
  const ofModel = new Map<string, ReliabilityRecord[]>()
  for (const it of records) ofModel.set(it.modelId, [...(ofModel.get(it.modelId) ?? []), it])
  const failsOf = (unitId: string) => hanging.failsOf.get(unitId) ?? 0
  const own = (modelId: string) => ofModel.get(modelId) ?? []
  const ranked = rankSpares(hanging.shoots, {
    readyOf: (it) => 1 - failsOf(it),
    modelOf: (it) => recordOf.get(it)?.modelId,
    // What the dearest of them costs today: another may well cost as much.
    priceOf: (it) =>
      own(it).reduce<number | null>(
        (most, { newMinor }) => (newMinor === null ? most : Math.max(most ?? 0, newMinor)),
        null,
      ),
    spareReadyOf: (it) => 1 - Math.max(0, ...own(it).map(({ unitId }) => failsOf(unitId))),
  })
  return ranked.map((it) => {
    const expected = hanging.shoots
      .flatMap(({ needs }) => needs)
      .filter(({ unitId }) => recordOf.get(unitId)?.modelId === it.modelId)
      .reduce((sum, { unitId }) => sum + failsOf(unitId), 0)
    return { ...it, name: own(it.modelId)[0]?.name ?? '', expected, enough: countSpares(expected, TARGET) }
  })
}
