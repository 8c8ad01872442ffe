import { z } from 'zod'
import { nameModel } from '../../kit/model/model.ts'
import type { NeedUnmet } from '../checks/joints/unmet-needs.ts'
import { fitsNeed } from '../checks/joints/unmet-needs.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { Store } from '../placed/store.ts'
import { type Finding, recordOf } from '../verdict/finding.ts'
import { sayFinding } from '../verdict/finding-sentences.ts'
import { assessSetup } from '../verdict/readiness.ts'

const hereSchema = z.object({ tag: z.string(), name: z.string() })

/** One end of a thing that has to be met before it works, and what of the kit would meet it. */
export const thingWantSchema = z.object({
  key: z.string(),
  /** "No card for CAM-01". */
  says: z.string(),
  /** Fits, and no setup has it. */
  spare: z.array(hereSchema),
  /** Fits, and is in setups already. */
  inSetups: z.array(hereSchema),
  /** Fits, is ours and not to be had: ordered, lent, in repair. */
  away: z.array(hereSchema),
  /** What to put on the list where nothing here fits. */
  buy: z.object({ item: z.string(), quantity: z.number(), stockId: z.string().nullable() }).nullable(),
})
export type ThingWant = z.infer<typeof thingWantSchema>

/** So many that fit are named of each sort. */
const MOST_NAMED = 4

const CHOSEN_ANEW: ReadonlySet<string> = new Set(['signal', 'carry'])

const NO_TIMES = { sayDay: (day: string) => day, sayInstant: String }

/** The setup of a thing and its parts alone, judged as if all of it were here: what it wants has to be known before it comes. */
export function findWants(input: AssessmentInput): Finding[] {
  return assessSetup({ ...input, absences: new Map() }).findings.filter(
    (it) => it.code === 'need-unmet' && it.level !== 'advise' && !isOfRoom(it),
  )
}

/** What each of them could be met with, out of what the kit has. */
export function answerWants(wants: readonly Finding[], store: Store): ThingWant[] {
  return wants.flatMap((want): ThingWant[] => {
    if (want.code !== 'need-unmet') return []
    const units = store.units.filter((it) => fitsNeed(want, it.model))
    const stock = store.stock.filter((it) => it.free > 0 && fitsNeed(want, it.model))
    const tell = (it: { tag: string; model: (typeof units)[number]['model'] }) => ({
      tag: it.tag,
      name: nameModel(it.model),
    })
    const spare = [
      ...stock.map((it) => tell({ tag: it.stock.tag, model: it.model })),
      ...units.filter((it) => it.usedBySetups === 0).map((it) => tell({ tag: it.unit.tag, model: it.model })),
    ]
    const inSetups = units.filter((it) => it.usedBySetups > 0).map((it) => tell({ tag: it.unit.tag, model: it.model }))
    const away = (store.away ?? [])
      .filter((it) => fitsNeed(want, it.model))
      .map((it) => tell({ tag: it.unit.tag, model: it.model }))
    // What is ordered, lent or in repair comes: it is named, and not bought again.
    const buy = away.length > 0 ? null : (recordOf(want).toBuy?.(want, store) ?? null)
    // What it stands on and what it is connected to is chosen for each setup: it lacks them where nothing here would do.
    if (buy === null && want.interfaces.every(({ kind }) => CHOSEN_ANEW.has(kind))) return []
    return [
      {
        key: want.key,
        says: sayFinding(want, NO_TIMES).title,
        spare: spare.slice(0, MOST_NAMED),
        inSetups: inSetups.slice(0, MOST_NAMED),
        away: away.slice(0, MOST_NAMED),
        buy: buy && { item: buy.item, quantity: buy.quantity, stockId: buy.stockId },
      },
    ]
  })
}

/** A wall socket is no thing of the kit. */
const isOfRoom = (finding: Finding) =>
  finding.code === 'need-unmet' && finding.interfaces.every((it) => isWallSocket(it, finding.side))

const isWallSocket = ({ kind, partner }: NeedUnmet['interfaces'][number], side: NeedUnmet['side']) =>
  kind === 'mains' && side === 'guest' && !partner.includes('connector')
