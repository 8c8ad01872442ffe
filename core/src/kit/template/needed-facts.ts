import { z } from 'zod'
import { idSchema } from '../../studio/identity.ts'
import { type Category, isKindOf } from '../model/category.ts'
import type { Interface } from '../model/interface.ts'
import { type Model, type NewModel, NONE_FACTS, type NoneFact } from '../model/model.ts'
import { makePort, type Port } from '../model/port.ts'
import { changeFacts } from './changed-facts.ts'
import { cardRating } from './draft-ends.ts'
import { readFacts } from './known-facts.ts'
import { DEFAULT_PLUGS, makePowerOf } from './template.ts'
import { readUsual, type UsualFact } from './usual-facts.ts'

/** Facts about what a thing is that judging cannot do without, each with the question that asks for it. */
export const NEEDED_FACTS = {
  mount: { question: 'Which lens mount does it have?', none: 'Its lens is built in' },
  thread: { question: 'Which thread does it have, in millimetres?', none: 'It drops in or clips on' },
  'front-mount': { question: 'Which mount does it take in front?', none: null },
  medium: { question: 'Which card does it record on?', none: 'It takes no card' },
  memory: { question: 'How much memory of its own is free to record on?', none: 'None' },
  rate: { question: 'At what rate does it record?', none: null },
  power: { question: 'What feeds it?', none: 'Nothing from outside' },
  watts: { question: 'How much does it draw?', none: null },
  energy: { question: 'How much does it hold?', none: null },
  capacity: { question: 'How much fits on it?', none: null },
  'card-speed': { question: 'How fast does it write, at least?', none: null },
  mass: { question: 'What does it weigh?', none: null },
  reach: { question: 'How far does it reach, at most?', none: null },
  height: { question: 'How high does it go?', none: null },
  lowest: { question: 'How low does it go?', none: null },
  'leg-radius': { question: 'How far do its legs reach out from the middle?', none: null },
  amps: { question: 'How many amperes is it good for?', none: null },
  'charge-amps': { question: 'At how many amperes does it charge, at most?', none: null },
  volts: { question: 'How many volts has it?', none: null },
  'load-limit': { question: 'How much does it bear?', none: null },
} as const satisfies Record<string, { question: string; none: string | null }>
export type NeededFact = keyof typeof NEEDED_FACTS
export const NEEDED_FACT_CODES = Object.keys(NEEDED_FACTS) as [NeededFact, ...NeededFact[]]

/** Kinds that do nothing without being fed. */
const FED: readonly Category[] = [
  'camera',
  'light',
  'monitor',
  'switcher',
  'recorder',
  'external-recorder',
  'mixer',
  'wireless-set',
]
/** Kinds of these that live on what is inside them, or on the computer that they are plugged into. */
const FED_BY_THEMSELVES: ReadonlySet<Category> = new Set(['phone', 'webcam'])
/** Kinds that take what they are to keep on cards. */
const ON_CARDS: readonly Category[] = ['camera', 'recorder', 'external-recorder']
const NOT_ON_CARDS: ReadonlySet<Category> = new Set(['phone', 'webcam'])

const isAnyOf = (category: Category, kinds: readonly Category[]) => kinds.some((kind) => isKindOf(category, kind))

/** A lens mount is what the studio calls so, and neither a filter thread nor a lamp holder. */
const isLensMount = (code: string, interfaces: ReadonlyMap<string, Interface>) =>
  interfaces.get(code)?.kind === 'mount' && isMountCode(code)

const isMountCode = (code: string) => !code.startsWith('filter-') && !code.startsWith('screw-')

/** What nobody recorded of a model and judging it needs, the most telling first; what was answered by "none" is answered. */
export function listLackingFacts(
  { category, ports, powerModes, specs }: Pick<Model, 'category' | 'ports' | 'powerModes' | 'specs'>,
  interfaces: ReadonlyMap<string, Interface>,
): NeededFact[] {
  const has = (suits: (code: string) => boolean) => ports.some((port) => port.interfaces.some(suits))
  const kindIs = (kind: Interface['kind']) => (code: string) => interfaces.get(code)?.kind === kind
  const lacking: NeededFact[] = []
  const isMounted = category === 'camera' || category === 'lens' || category === 'lens-adapter'
  const isLensEnd = (side: Port['side']) =>
    ports.some((port) => port.side === side && port.interfaces.some((code) => isLensMount(code, interfaces)))
  if (isMounted && !isLensEnd(category === 'camera' ? 'host' : 'guest')) lacking.push('mount')
  const hasThread = typeof specs.more.filterMm === 'number' || has((code) => !isMountCode(code))
  if (isKindOf(category, 'filter') && !hasThread && !has(kindIs('mount'))) lacking.push('thread')
  if (category === 'lens-adapter' && !isLensEnd('host')) lacking.push('front-mount')
  if (isAnyOf(category, ON_CARDS) && !NOT_ON_CARDS.has(category)) {
    if (!has(kindIs('card')) && specs.capacityMegabytes === null) lacking.push('medium')
  }
  if (category === 'phone' && specs.capacityMegabytes === null) lacking.push('memory')
  if (isAnyOf(category, FED) && !FED_BY_THEMSELVES.has(category) && powerModes.length === 0) {
    if (!has(kindIs('battery')) && !has(kindIs('mains'))) lacking.push('power')
  }
  if (category === 'pack' && specs.energyMilliwattHours === null) lacking.push('energy')
  if (category === 'card' && specs.capacityMegabytes === null) lacking.push('capacity')
  const answered: readonly NeededFact[] = specs.none
  return lacking.filter((fact) => !answered.includes(fact))
}

/** What kind of connector answers a fact; a fact that is not here is answered by a figure. */
export const ANSWERED_BY: Readonly<Partial<Record<NeededFact, readonly Interface['kind'][]>>> = {
  mount: ['mount'],
  'front-mount': ['mount'],
  medium: ['card'],
  power: ['battery', 'mains'],
}

/** Connectors that may answer a fact: of mains those of an inlet, as nothing has a wall socket in it. */
export function listAnswers(fact: NeededFact, interfaces: Iterable<Interface>): Interface[] {
  const kinds = ANSWERED_BY[fact] ?? []
  return [...interfaces].filter(
    ({ kind, code }) =>
      kinds.includes(kind) && (kind !== 'mount' || isMountCode(code)) && (kind !== 'mains' || code.startsWith('iec-')),
  )
}

/** An answer: a connector of the studio's, a figure in the unit of its field, or that there is none. */
export const factAnswerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('interface'), code: idSchema }),
  z.object({ kind: z.literal('figure'), value: z.number().int().min(1, 'More than nothing.').max(1e12) }),
  z.object({ kind: z.literal('none') }),
])
export type FactAnswer = z.infer<typeof factAnswerSchema>

/** The model with one fact answered. What does not answer that fact leaves it as it is. */
export function answerFact<T extends NewModel>(model: T, fact: NeededFact, answer: FactAnswer): T {
  if (answer.kind === 'none') return isNoneFact(fact) ? withNone(model, fact) : model
  if (answer.kind === 'interface') return answerByEnd(model, fact, answer.code)
  return answerByFigure(withoutUsual(model, fact), fact, answer.value)
}

const FACT_OF: Readonly<Partial<Record<NeededFact, UsualFact>>> = {
  mass: 'massGrams',
  'load-limit': 'loadGrams',
  watts: 'milliwatts',
  energy: 'energyMilliwattHours',
  rate: 'kilobitsPerSecond',
}

/** What is only usual gives way to what somebody tells. */
function withoutUsual<T extends NewModel>(model: T, fact: NeededFact): T {
  const own = FACT_OF[fact]
  if (!own || !readUsual(model).includes(own)) return model
  return changeFacts(model, { [own]: null }, { plugs: DEFAULT_PLUGS })
}

const isNoneFact = (fact: NeededFact): fact is NoneFact => (NONE_FACTS as readonly NeededFact[]).includes(fact)

function withNone<T extends NewModel>(model: T, fact: NoneFact): T {
  return { ...model, specs: { ...model.specs, none: [...new Set([...model.specs.none, fact])] } }
}

function answerByEnd<T extends NewModel>(model: T, fact: NeededFact, code: string): T {
  switch (fact) {
    case 'mount': {
      const isBody = model.category === 'camera'
      return addPort(
        model,
        makePort({ id: isBody ? 'mount' : 'rear', interfaces: code, side: isBody ? 'host' : 'guest' }),
      )
    }
    case 'front-mount':
      return addPort(model, makePort({ id: 'front', interfaces: code, side: 'host' }))
    case 'medium':
      return addPort(
        model,
        makePort({
          id: 'slot',
          interfaces: code,
          side: 'host',
          demand: cardRating(readFacts(model).cardMegabytesPerSecond),
        }),
      )
    case 'power': {
      // What was told before there was a place for it finds its place now.
      const { milliwatts, batteryCount } = readFacts(model)
      const power = makePowerOf(code, milliwatts, batteryCount)
      return {
        ...model,
        ports: [...model.ports, ...power.ports],
        powerModes: [...model.powerModes, ...power.powerModes],
      }
    }
    default:
      return model
  }
}

/** Amperes and volts are answered in thousandths, as answers are whole numbers. */
const MILLI = 1000

function answerByFigure<T extends NewModel>(model: T, fact: NeededFact, value: number): T {
  const withSpec = (part: Partial<Model['specs']>) => ({ ...model, specs: { ...model.specs, ...part } })
  switch (fact) {
    case 'mass':
      return withSpec({ massGrams: value })
    case 'energy':
      return withSpec({ energyMilliwattHours: value })
    case 'capacity':
    case 'memory':
      return withSpec({ capacityMegabytes: value })
    case 'watts':
      return {
        ...model,
        powerModes: model.powerModes.map((it) => (it.milliwatts === null ? { ...it, milliwatts: value } : it)),
      }
    case 'thread':
      return withSpec({ more: { ...model.specs.more, filterMm: value } })
    case 'reach':
      return withSpec({ more: { ...model.specs.more, reachMm: value } })
    case 'height':
      return withSpec({ more: { ...model.specs.more, heightMaxMm: value } })
    case 'amps':
      return withSpec({ more: { ...model.specs.more, mostAmps: value / MILLI } })
    case 'charge-amps':
      return withSpec({ more: { ...model.specs.more, chargeAmps: value / MILLI } })
    case 'volts':
      return withSpec({ more: { ...model.specs.more, volts: value / MILLI } })
    case 'lowest':
      return withSpec({ more: { ...model.specs.more, heightMinMm: value } })
    case 'leg-radius':
      return withSpec({ more: { ...model.specs.more, legRadiusMm: value } })
    case 'rate':
      return model.recordingModes.length > 0
        ? model
        : { ...model, recordingModes: [{ id: 'usual', label: `${value / 1000} Mbit/s`, kilobitsPerSecond: value }] }
    case 'card-speed':
      return ratePorts(model, (port) => port.side === 'guest', { quantity: 'cardMegabytesPerSecond', value })
    case 'load-limit':
      return ratePorts(model, (port) => port.side === 'host', { quantity: 'loadGrams', value })
    default:
      return model
  }
}

function addPort<T extends NewModel>(model: T, port: Port): T {
  return model.ports.some((it) => it.id === port.id) ? model : { ...model, ports: [...model.ports, port] }
}

/** What has a rating keeps it. */
function ratePorts<T extends NewModel>(model: T, suits: (port: Port) => boolean, rating: Port['rating']): T {
  return { ...model, ports: model.ports.map((port) => (port.rating || !suits(port) ? port : { ...port, rating })) }
}
