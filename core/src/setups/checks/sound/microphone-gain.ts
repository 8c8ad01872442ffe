import { isKindOf } from '../../../kit/model/category.ts'
import type { Model } from '../../../kit/model/model.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import type { Holdings, PlacedItem } from '../../placed/placed-item.ts'
import type { NewSetup } from '../../setup/setup.ts'
import type { SignalChain } from './signals.ts'

/** The gain that a voice wants on its way from a microphone to where it is recorded, against what there is. */
export interface MicrophoneGain {
  formula: 'microphone-gain'
  tag: string
  name: string
  /** Boosters on the way, with what each adds. */
  boosters: { tag: string; gainDb: number }[]
  input: { tag: string; gainDb: number }
  distanceMm: number
  /** Whether somebody measured the distance. */
  isMeasured: boolean
  speechDbSpl: number
  sensitivityDbv: number
  outputDbv: number
  wantedDb: number
  haveDb: number
  level: FindingLevel
}

/** What an input sends up the cable. */
export type Feed = '48 V' | 'plug-in power'

export type FeedFinding = { key: string; level: FindingLevel; roleId: string | null } & (
  | { code: 'feed-missing' | 'feed-unknown'; feed: Feed; tag: string; name: string; input: string }
  | { code: 'gain-unknown'; tag: string; name: string; lacks: string[] }
)

/** Normal vocal effort at one metre, dB SPL (ISO 9921). */
const SPEECH_DB_SPL = 60
/** 1 Pa, the level at which sensitivity is stated, dB SPL. */
const PASCAL_DB_SPL = 94
/** The line level that a recorder's preamp brings a microphone to: −10 dBV, common practice. */
export const LINE_DBV = -10
/** Where nobody measured how far the mouth is. */
const USUAL_DISTANCE_MM = 300

/**
 * Follows each microphone through its boosters to the first input and sums the gain: speech at its distance, turned into
 * volts by the sensitivity (mV/Pa), brought to line level. What wants 48 V has to be plugged into what sends it.
 */
export function judgeMicrophones(
  setup: Pick<NewSetup, 'roles'>,
  things: readonly PlacedItem[],
  chains: readonly SignalChain[],
  holdings: Holdings,
): { gains: (MicrophoneGain & { roleId: string | null })[]; findings: FeedFinding[] } {
  const gains: (MicrophoneGain & { roleId: string | null })[] = []
  const findings: FeedFinding[] = []
  const thingOf = new Map(things.map((it) => [it.key, it]))
  const read = (key: string) => holdings.models.get(holdings.units.get(key)?.modelId ?? '')?.specs.more ?? {}
  for (const thing of things) {
    if (thing.category === 'room' || !isKindOf(thing.category, 'microphone')) continue
    const { boosters, input } = followToInput(thing, chains, thingOf)
    if (!input) continue
    const hungry = [thing, ...boosters].find((it) => findFeed(read(it.key)) !== null)
    const feed = hungry ? findFeed(read(hungry.key)) : null
    const sends = feed && read(input.key)[feed === '48 V' ? 'sends48' : 'sendsPlugIn']
    if (hungry && feed && sends !== 'yes') {
      const code = sends === 'no' ? 'feed-missing' : 'feed-unknown'
      const level = code === 'feed-missing' ? 'stop' : 'unknown'
      const { tag, name, roleId } = hungry
      findings.push({ key: `${code}/${hungry.key}`, level, roleId, code, feed, tag, name, input: input.tag })
    }
    const gain = sumGain(thing, boosters, input, setup, read)
    if (gain) gains.push({ ...gain, roleId: thing.roleId })
    // Quiet by nature: of these one has to know. Of others the usual input has enough.
    else if (thing.category === 'dynamic-mic') {
      const lacks = [
        ...(typeof read(thing.key).sensitivityMvPerPa === 'number' ? [] : [`sensitivity of ${thing.tag}`]),
        ...[...boosters, input].flatMap((it) => (typeof read(it.key).gainDb === 'number' ? [] : [`gain of ${it.tag}`])),
      ]
      const { tag, name, roleId } = thing
      findings.push({
        key: `gain-unknown/${thing.key}`,
        level: 'unknown',
        roleId,
        code: 'gain-unknown',
        tag,
        name,
        lacks,
      })
    }
  }
  return { gains, findings }
}

function findFeed({ fedBy }: Specs): Feed | null {
  return fedBy === '48 V' || fedBy === 'plug-in power' ? fedBy : null
}

function followToInput(
  microphone: PlacedItem,
  chains: readonly SignalChain[],
  thingOf: ReadonlyMap<string, PlacedItem>,
): { boosters: PlacedItem[]; input: PlacedItem | null } {
  const boosters: PlacedItem[] = []
  let at = microphone.key
  for (let step = 0; step <= chains.length; step++) {
    const next = chains.find(({ from }) => from.key === at)
    const thing = next && thingOf.get(next.to.key)
    if (!thing) return { boosters, input: null }
    if (thing.category !== 'preamp') return { boosters, input: thing }
    boosters.push(thing)
    at = thing.key
  }
  return { boosters, input: null }
}

type Specs = Model['specs']['more']

function sumGain(
  thing: PlacedItem,
  boosters: readonly PlacedItem[],
  input: PlacedItem,
  setup: Pick<NewSetup, 'roles'>,
  read: (key: string) => Specs,
): MicrophoneGain | null {
  const sensitivity = read(thing.key).sensitivityMvPerPa
  const gainOf = (it: PlacedItem) => {
    const gainDb = read(it.key).gainDb
    return typeof gainDb === 'number' ? { tag: it.tag, gainDb } : null
  }
  const added = boosters.flatMap((it) => gainOf(it) ?? [])
  const own = gainOf(input)
  if (typeof sensitivity !== 'number' || !own || added.length < boosters.length) return null
  const measured = setup.roles.find((it) => it.id === thing.roleId)?.position?.distanceMm || null
  const distanceMm = measured ?? USUAL_DISTANCE_MM
  const speechDbSpl = findSpeechLevel(distanceMm)
  const sensitivityDbv = 20 * Math.log10(sensitivity / 1000)
  const outputDbv = sensitivityDbv + speechDbSpl - PASCAL_DB_SPL
  const wantedDb = LINE_DBV - outputDbv
  const haveDb = added.reduce((sum, it) => sum + it.gainDb, own.gainDb)
  return {
    formula: 'microphone-gain',
    tag: thing.tag,
    name: thing.name,
    boosters: added,
    input: own,
    distanceMm,
    isMeasured: measured !== null,
    speechDbSpl,
    sensitivityDbv,
    outputDbv,
    wantedDb,
    haveDb,
    level: haveDb >= wantedDb ? 'ok' : 'warn',
  }
}

/** Speech at normal effort at a distance, dB SPL: 6 dB less with each doubling (point source). */
export function findSpeechLevel(distanceMm: number): number {
  return SPEECH_DB_SPL - 20 * Math.log10(distanceMm / 1000)
}
