import { z } from 'zod'
import { type Model, nameModel } from '../../kit/model/model.ts'
import type { Port } from '../../kit/model/port.ts'
import type { NeedUnmet } from '../checks/joints/unmet-needs.ts'
import { fitsNeed, whatToBuy } from '../checks/joints/unmet-needs.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { Store } from '../placed/store.ts'
import type { Finding } from '../verdict/finding.ts'
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
export function answerWants(wants: readonly Finding[], store: Store, models: ReadonlyMap<string, Model>): ThingWant[] {
  return wants.flatMap((want): ThingWant[] => {
    if (want.code !== 'need-unmet') return []
    const fits = (model: Model) => fitsNeed(want, model) && isGoodFor(want, model, models)
    const units = store.units.filter((it) => fits(it.model))
    const stock = store.stock.filter((it) => it.free > 0 && fits(it.model))
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
      .filter((it) => fits(it.model))
      .map((it) => tell({ tag: it.unit.tag, model: it.model }))
    // What is ordered, lent or in repair comes: it is named, and not bought again.
    const short = want.missing - units.length - stock.reduce((sum, it) => sum + it.free, 0)
    const buy = away.length > 0 || short <= 0 ? null : { ...whatToBuy(want, store), quantity: short }
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

/** Whether what it is good for reaches what is asked, as far as both are recorded: a slow card is none for a fast camera. */
function isGoodFor(want: Finding & NeedUnmet, model: Model, models: ReadonlyMap<string, Model>): boolean {
  // The key of a need ends with the end that has it.
  const portId = want.key.slice(want.key.lastIndexOf('/') + 1)
  const own = models.get(want.itemKey)?.ports.find((it) => it.id === portId)
  if (!own) return true
  return model.ports.some(({ side, interfaces, rating, demand }) => {
    if (side === own.side || !interfaces.some((code) => own.interfaces.includes(code))) return false
    return reaches(own.demand, rating) && reaches(demand, own.rating)
  })
}

const reaches = (demand: Port['demand'], rating: Port['rating']) =>
  demand === null || rating === null || demand.quantity !== rating.quantity || rating.value >= demand.value

/** A wall socket is no thing of the kit. */
const isOfRoom = (finding: Finding) =>
  finding.code === 'need-unmet' && finding.interfaces.every((it) => isWallSocket(it, finding.side))

const isWallSocket = ({ kind, partner }: NeedUnmet['interfaces'][number], side: NeedUnmet['side']) =>
  kind === 'mains' && side === 'guest' && !partner.includes('connector')
