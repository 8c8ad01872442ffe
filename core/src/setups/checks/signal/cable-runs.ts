import { trim } from '../../../units/quantity.ts'
import { listInWords } from '../../../units/wording.ts'
import { type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { type CableRun, listChain } from '../../setup/cable-run.ts'
import { defineCheck, type Found } from '../check.ts'
import { type FindingWords, makeGauge, plain } from '../finding-words.ts'
import type { Scene } from '../scene.ts'

/** What is wrong with a run that somebody made. */
interface RunTrouble {
  code: 'cable-run-trouble'
  why: 'gone' | 'not-joined' | 'short' | 'length-unknown'
  from: string
  to: string
  via: string[]
  lengthMm: number | null
  neededMm: number | null
}

/** Runs as they stand: whether all of each is here, joins, and is as long as the way. */
export const cableRuns = defineCheck<RunTrouble>({
  shownIn: 'signals',
  find: (scene) => scene.setup.links.flatMap((run) => checkRun(run, scene)),
  codes: {
    'cable-run-trouble': {
      say: sayTrouble,
      deciding: ({ why, lengthMm, neededMm }) => [why, lengthMm, neededMm],
    },
  },
})

function checkRun(run: CableRun, { itemOf, joints, away }: Scene): Found<RunTrouble>[] {
  const chain = listChain(run)
  // What stands in the setup and is away is told as that, with what it leaves open.
  if (chain.some((key) => away.some(({ item }) => item.key === key))) return []
  const areJoined = (a: string, b: string) =>
    joints.some(({ host, guest }) => (host.key === a && guest.key === b) || (host.key === b && guest.key === a))
  const tagOf = (key: string) => itemOf.get(key)?.tag ?? ''
  const lengths = run.via.map((key) => readLength(itemOf.get(key)))
  const lengthMm = lengths.every((it) => it !== null) ? lengths.reduce<number>((sum, it) => sum + (it ?? 0), 0) : null
  const trouble = (why: RunTrouble['why'], level: 'warn' | 'unknown'): Found<RunTrouble>[] => [
    {
      about: [chain.join('-'), why],
      level,
      roleId: itemOf.get(run.from.unitId)?.roleId ?? null,
      code: 'cable-run-trouble',
      why,
      from: tagOf(run.from.unitId),
      to: tagOf(run.to.unitId),
      via: run.via.map(tagOf).filter(Boolean),
      lengthMm,
      neededMm: run.neededMm,
    },
  ]
  if (!chain.every((key) => itemOf.has(key))) return trouble('gone', 'warn')
  if (!chain.slice(1).every((key, at) => areJoined(chain[at] ?? '', key))) return trouble('not-joined', 'warn')
  if (run.neededMm === null) return []
  if (lengthMm === null) return trouble('length-unknown', 'unknown')
  return lengthMm < run.neededMm ? trouble('short', 'warn') : []
}

/** An adapter adds nothing to the length of a run; what nobody recorded is null. */
function readLength(item: PlacedItem | undefined): number | null {
  if (!item) return null
  return item.category === 'cable-adapter' ? 0 : readFigure(item, 'lengthMm')
}

function sayTrouble({ why, from, to, via, lengthMm, neededMm }: RunTrouble): FindingWords {
  const over = via.length > 0 ? ` over ${listInWords(via)}` : ''
  const run = `The run from ${from || 'its start'} to ${to || 'its end'}${over}`
  const metres = (mm: number | null) => `${trim((mm ?? 0) / 1000, 2)} m`
  switch (why) {
    case 'gone':
      return plain(
        `A piece of a run is gone`,
        `${run} was made with a thing that is no longer in the setup. Make it anew.`,
      )
    case 'not-joined':
      return plain(
        `${from} does not reach ${to}`,
        `${run} does not join: its ends do not go into each other, or are taken.`,
      )
    case 'short':
      return {
        title: `The run from ${from} to ${to} is too short`,
        text: `${run} is ${metres(lengthMm)} long, and the way ${metres(neededMm)}. Find a longer one.`,
        gauge: makeGauge(lengthMm ?? 0, neededMm ?? 1, `${metres(lengthMm)} of ${metres(neededMm)}`),
      }
    case 'length-unknown':
      return plain(
        `Cannot tell whether ${from} reaches ${to}`,
        `The length of ${listInWords(via)} is not recorded; the way is ${metres(neededMm)}.`,
      )
    default:
      return why satisfies never
  }
}
