import { USUAL_HAND } from '../../kit/model/usual-hand.ts'
import type { NeededFact } from '../../kit/template/needed-facts.ts'
import { readUsual, type UsualFact } from '../../kit/template/usual-facts.ts'
import type { FindingLevel } from '../../studio/finding.ts'
import { computeCarriedLoads } from '../checks/rigging/carried-load.ts'
import type { UsualUnsure } from '../checks/roles/usual-figures.ts'
import { factOf, type Scene } from '../checks/scene.ts'
import { type PlacedItem, readFigure } from '../placed/placed-item.ts'

const ASKED: Readonly<Record<UsualFact, NeededFact>> = {
  loadGrams: 'load-limit',
  massGrams: 'mass',
  milliwatts: 'watts',
  energyMilliwattHours: 'energy',
  kilobitsPerSecond: 'rate',
}
const FACTS = Object.keys(ASKED) as UsualFact[]

/** Something found, as far as it has to be told apart here. */
interface Told {
  key: string
  level: FindingLevel
  roleId: string | null
}

/** A figure that decides, and the finding that hangs on it. */
export interface UsualDoubt<F extends Told> {
  finding: F
  unsure: UsualUnsure & { about: readonly string[]; roleId: string | null }
}

interface Candidate {
  item: PlacedItem
  fact: UsualFact
}

/**
 * What hangs on figures that are only what is usual: with the joints held, all of them are made twice as bad and twice as
 * good. What is found in one case and not in the other is no finding but a question. `find` asks all checks, `findAgain` only
 * those that could find this one again, `say` is its title.
 */
export function listUsualDoubts<F extends Told>(
  scene: Scene,
  found: readonly F[],
  {
    find,
    findAgain,
    say,
  }: { find(scene: Scene): F[]; findAgain(finding: F, scene: Scene): F[]; say(finding: F): string },
): UsualDoubt<F>[] {
  const candidates = scene.items.flatMap((item) => readUsual(item.model).map((fact): Candidate => ({ item, fact })))
  if (candidates.length === 0) return []
  const worse = find(change(scene, candidates, USUAL_HAND))
  const better = new Map(find(change(scene, candidates, 1 / USUAL_HAND)).map((it) => [it.key, it.level]))
  const known = new Map(found.map((it) => [it.key, it.level]))
  const fresh = worse.filter((it) => isTrouble(it.level) && !isAsBad(known.get(it.key), it.level))
  const doubtful = found.filter((it) => isTrouble(it.level) && !isAsBad(better.get(it.key), it.level))
  return [...doubtful, ...fresh].map((finding) => {
    const { item, fact } = findCulprit(finding, scene, candidates, findAgain)
    const why = `With twice or half of it: ${say(finding)}`
    return { finding, unsure: { ...ask(item, fact, why), roleId: finding.roleId ?? item.roleId } }
  })
}

/**
 * What is only usual never clears what can come down on somebody or burn: of what hangs overhead, and of what draws from a pack, the
 * figure itself is asked, however much room there is. Tipping is judged without what is only usual; see `withoutUsual`.
 */
export function listNeverCleared(scene: Scene): UsualDoubt<Told>['unsure'][] {
  const isUsual = (item: PlacedItem, fact: UsualFact) => readUsual(item.model).includes(fact)
  const itemsAt = (key: string) => scene.itemOf.get(key) ?? []
  const { above } = factOf(scene, computeCarriedLoads)
  const bars = scene.joints.filter(({ interfaceCode, host }) => interfaceCode === 'bar' && isOfRoom(host.key, scene))
  const overhead = new Set(bars.flatMap(({ guest }) => [guest.key, ...(above.get(guest.key) ?? [])]))
  const hanging = [...overhead].flatMap(itemsAt)
  const packs = scene.joints.flatMap(({ host, guest, interfaceCode }) =>
    scene.interfaces.get(interfaceCode)?.kind === 'battery'
      ? [[scene.itemOf.get(host.key), scene.itemOf.get(guest.key)] as const]
      : [],
  )
  return [
    ...hanging
      .filter((it) => isUsual(it, 'loadGrams') && (above.get(it.key) ?? []).length > 0)
      .map((it) => ask(it, 'loadGrams', OVERHEAD)),
    ...hanging.filter((it) => isUsual(it, 'massGrams')).map((it) => ask(it, 'massGrams', OVERHEAD)),
    ...packs.flatMap(([device, pack]) => {
      if (!device || !pack || device.powerMode?.source !== 'packs') return []
      if (isUsual(device, 'milliwatts')) return [ask(device, 'milliwatts', FROM_A_PACK)]
      const isByEnergy = readFigure(pack, 'mostAmps') === null
      return isByEnergy && isUsual(pack, 'energyMilliwattHours') ? [ask(pack, 'energyMilliwattHours', FROM_A_PACK)] : []
    }),
  ]
}

const OVERHEAD = 'It hangs overhead, where what is usual is not enough'
const FROM_A_PACK = 'It decides what current a pack has to give, where what is usual is not enough'

const isOfRoom = (key: string, { itemOf }: Scene) => itemOf.get(key)?.category === 'room'

function ask(item: PlacedItem, fact: UsualFact, why: string): UsualDoubt<Told>['unsure'] {
  return {
    code: 'usual-unsure',
    about: [item.model?.id ?? item.key, fact],
    roleId: item.roleId,
    tag: item.tag,
    name: item.name,
    modelId: item.model?.id ?? '',
    fact: ASKED[fact],
    why,
  }
}

/** The same scene, joined as it is, as if nobody had told what is only usual. */
export function withoutUsual(scene: Scene): Scene {
  const items = scene.items.map((it) => readUsual(it.model).reduce((item, fact) => ERASED[fact](item), it))
  return { ...scene, items, itemOf: new Map(items.map((it) => [it.key, it])) }
}

export const hasUsual = ({ items }: Scene): boolean => items.some((it) => readUsual(it.model).length > 0)

const ERASED: Readonly<Record<UsualFact, (item: PlacedItem) => PlacedItem>> = {
  massGrams: (item) => ({ ...item, massGrams: null }),
  energyMilliwattHours: (item) => ({ ...item, energyMilliwattHours: null }),
  loadGrams: (item) => ({
    ...item,
    ports: item.ports.map((port) => (port.rating?.quantity === 'loadGrams' ? { ...port, rating: null } : port)),
  }),
  milliwatts: (item) => ({ ...item, powerMode: item.powerMode && { ...item.powerMode, milliwatts: null } }),
  // The usual rate of its kind stands in, as where nobody told any.
  kilobitsPerSecond: (item) => ({ ...item, recordingMode: null }),
}

const isTrouble = (level: FindingLevel) => level === 'stop' || level === 'warn'
const isAsBad = (own: FindingLevel | undefined, level: FindingLevel) => own === 'stop' || own === level

/** The one of which the true figure would settle it alone; where no single one would, one of what the finding is about. */
function findCulprit<F extends Told>(
  finding: F,
  scene: Scene,
  candidates: readonly Candidate[],
  findAgain: (finding: F, scene: Scene) => F[],
): Candidate {
  const about = new Set(finding.key.split('/').slice(1))
  const ordered = [...candidates].sort(
    (a, b) =>
      Number(about.has(b.item.key)) - Number(about.has(a.item.key)) || FACTS.indexOf(a.fact) - FACTS.indexOf(b.fact),
  )
  const settles = (it: Candidate) => {
    const others = candidates.filter((other) => other !== it)
    return !findAgain(finding, change(scene, others, USUAL_HAND)).some(
      (own) => own.key === finding.key && isAsBad(own.level, finding.level),
    )
  }
  const found = ordered.find(settles) ?? ordered.find((it) => isMoved(finding, scene, it, findAgain)) ?? ordered[0]
  if (!found) throw new Error('There is no usual figure here.')
  return found
}

/** Whether this figure has anything to do with it: made twice as good, or as bad, something else is found. */
function isMoved<F extends Told>(
  finding: F,
  scene: Scene,
  it: Candidate,
  findAgain: (finding: F, scene: Scene) => F[],
): boolean {
  const told = (own: Scene) =>
    JSON.stringify(findAgain(finding, own).find((other) => other.key === finding.key) ?? null)
  return told(change(scene, [it], USUAL_HAND)) !== told(change(scene, [it], 1 / USUAL_HAND))
}

/** The same scene, joined as it is, with some figures so many times as bad. */
function change(scene: Scene, figures: readonly Candidate[], times: number): Scene {
  const factsOf = new Map<PlacedItem, UsualFact[]>()
  for (const { item, fact } of figures) factsOf.set(item, [...(factsOf.get(item) ?? []), fact])
  const items = scene.items.map((it) => factsOf.get(it)?.reduce((item, fact) => WORSE[fact](item, times), it) ?? it)
  return { ...scene, items, itemOf: new Map(items.map((it) => [it.key, it])) }
}

const scale = (value: number | null, times: number) => (value === null ? null : value * times)

const WORSE: Readonly<Record<UsualFact, (item: PlacedItem, times: number) => PlacedItem>> = {
  massGrams: (item, times) => ({ ...item, massGrams: scale(item.massGrams, times) }),
  energyMilliwattHours: (item, times) => ({
    ...item,
    energyMilliwattHours: scale(item.energyMilliwattHours, 1 / times),
  }),
  loadGrams: (item, times) => ({
    ...item,
    ports: item.ports.map((port) =>
      port.rating?.quantity === 'loadGrams'
        ? { ...port, rating: { ...port.rating, value: port.rating.value / times } }
        : port,
    ),
  }),
  milliwatts: (item, times) => ({
    ...item,
    powerMode: item.powerMode && { ...item.powerMode, milliwatts: scale(item.powerMode.milliwatts, times) },
  }),
  kilobitsPerSecond: (item, times) => ({
    ...item,
    recordingMode: item.recordingMode && {
      ...item.recordingMode,
      kilobitsPerSecond: item.recordingMode.kilobitsPerSecond * times,
    },
  }),
}
