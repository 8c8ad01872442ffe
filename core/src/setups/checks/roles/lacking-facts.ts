import type { Interface } from '../../../kit/model/interface.ts'
import type { Model } from '../../../kit/model/model.ts'
import { listLackingFacts, type NeededFact } from '../../../kit/template/needed-facts.ts'
import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'

interface LackingFact {
  code: 'fact-unknown'
  tag: string
  name: string
  modelId: string
  fact: NeededFact
}

/** What nobody recorded of a thing and its role needs: asked once for each model, wherever its pieces stand. */
export const lackingFacts = defineCheck<LackingFact>({
  find: ({ items, interfaces }) =>
    items.flatMap((item) => {
      const { model } = item
      if (!model) return []
      return listOnce(model, interfaces).map((fact) => ({
        ...ofItem(item),
        about: [model.id, fact],
        level: 'unknown' as const,
        code: 'fact-unknown' as const,
        modelId: model.id,
        fact,
      }))
    }),
  codes: {
    'fact-unknown': {
      couldStop: true,
      say: ({ tag, name, fact }) => plain(SAID[fact](tag), `Nobody recorded it of ${name}. ${WHY[fact]}`),
      deciding: ({ fact }) => [fact],
      asks: ({ modelId, fact }) => ({ modelId, fact }),
    },
  },
})

type Interfaces = ReadonlyMap<string, Interface>

const lackingOf = new WeakMap<Interfaces, WeakMap<Model, readonly NeededFact[]>>()

/** A model and the connectors are what they are: worked out once for each. */
function listOnce(model: Model, interfaces: Interfaces): readonly NeededFact[] {
  const known = lackingOf.get(interfaces) ?? new WeakMap<Model, readonly NeededFact[]>()
  lackingOf.set(interfaces, known)
  const facts = known.get(model) ?? listLackingFacts(model, interfaces)
  known.set(model, facts)
  return facts
}

const WHY: Readonly<Record<NeededFact, string>> = {
  mount: 'Without it nobody knows whether a lens fits.',
  thread: 'It stands on its rim, as in ⌀ 77.',
  'front-mount': 'Without it nobody knows whether a lens fits.',
  medium: 'Without it nobody knows whether anything is kept.',
  memory: 'Without it nobody knows how long it records.',
  rate: 'It stands in its menu, in Mbit/s.',
  power: 'Without it nobody knows whether it runs.',
  watts: 'It stands on the label.',
  energy: 'The watt hours stand on the pack.',
  capacity: 'It is printed on it.',
  'card-speed': 'It is printed on it.',
  mass: 'Weigh it, or look at its plate.',
  reach: 'Measure it.',
  height: 'It stands in its leaflet, or is measured with everything out.',
  lowest: 'Measure it with everything in.',
  'leg-radius': 'Measure it from the column to the end of a leg.',
  amps: 'It stands on it, in amperes.',
  'charge-amps': 'It stands on it, in amperes.',
  volts: 'It stands on it.',
  'load-limit': 'It stands on its plate or in its leaflet.',
}

const SAID: Readonly<Record<NeededFact, (tag: string) => string>> = {
  mount: (tag) => `Cannot tell what goes on ${tag}`,
  thread: (tag) => `Cannot tell what ${tag} goes on`,
  'front-mount': (tag) => `Cannot tell what goes on ${tag}`,
  medium: (tag) => `Cannot tell what ${tag} records on`,
  memory: (tag) => `Cannot tell how much fits on ${tag}`,
  rate: (tag) => `Cannot tell how long ${tag} records`,
  power: (tag) => `Cannot tell what feeds ${tag}`,
  watts: (tag) => `Cannot tell what ${tag} draws`,
  energy: (tag) => `Cannot tell how long ${tag} lasts`,
  capacity: (tag) => `Cannot tell how much fits on ${tag}`,
  'card-speed': (tag) => `Cannot tell whether ${tag} is fast enough`,
  mass: (tag) => `Cannot tell what ${tag} weighs`,
  reach: (tag) => `Cannot tell how far ${tag} reaches`,
  height: (tag) => `Cannot tell how high ${tag} goes`,
  lowest: (tag) => `Cannot tell how low ${tag} goes`,
  'leg-radius': (tag) => `Cannot tell how far the legs of ${tag} reach`,
  amps: (tag) => `Cannot tell what ${tag} is good for`,
  'charge-amps': (tag) => `Cannot tell how fast ${tag} charges`,
  volts: (tag) => `Cannot tell the volts of ${tag}`,
  'load-limit': (tag) => `Cannot tell what ${tag} bears`,
}
