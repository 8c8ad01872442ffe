import {
  EXAMPLE_CONNECTORS,
  EXAMPLE_STUDIOS,
  type ExampleConnector,
  type ExampleStudio,
  isCounted,
  listExampleModels,
  makeExampleSetup,
} from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import { loadInterfaces } from '../availability/reference.ts'
import { ProblemError, refuseField } from '../foundation/base/problem.ts'
import { type Writer, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { addInterface } from '../kit/model/connector-routes.ts'
import { addToStock, addUnits } from '../kit/unit/adding.ts'
import { findByName, findOrMakeModel } from '../kit/unit/entered-model.ts'
import { stock } from '../schema/kit-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { places } from '../schema/studio-tables.ts'
import { saveSetup } from '../setups/setup-store.ts'
import { makeRoom } from './first-hour-routes.ts'

/** Where it is to stand: a room that is here, or one of its own. */
function findGround(writer: Writer, example: ExampleStudio, placeId: string | null) {
  if (placeId === null) return makeRoom(writer, { name: example.name, size: null })
  const room = writer.tx.select().from(places).where(eq(places.id, placeId)).get()
  if (room?.kind !== 'room' || room.archivedAt !== null) throw refuseField('/placeId', 'There is no such room.')
  return { placeId, circuitId: room.circuits[0]?.id ?? null }
}

/** The codes of the connectors that the example has of its own: by their name where they are here already. */
function makeConnectors(writer: Writer): (value: unknown) => string | null {
  const codes = new Map<unknown, string>()
  return (value) => {
    const own = EXAMPLE_CONNECTORS[value as ExampleConnector]
    if (!own) return null
    const known = [...loadInterfaces(writer.tx).values()].find((it) => it.label === own.label)
    const code = codes.get(value) ?? known?.code
    if (code) return code
    const sides =
      own.kind === 'mount' ? { hostName: 'body', guestName: 'lens' } : { hostName: 'bay', guestName: 'pack' }
    const made = addInterface(writer, { ...own, ...sides, standard: null, viaCableOnly: false }).code
    codes.set(value, made)
    return made
  }
}

/** Adds all that an example has; gives back each thing, or the stock of what is counted, by its short name. */
function addThings(writer: Writer, example: ExampleStudio, placeId: string): Map<string, string> {
  const findOwn = makeConnectors(writer)
  const idOf = new Map<string, string>()
  for (const { thing, aliases } of listExampleModels(example)) {
    const { category, name, facts = {}, more = {} } = thing
    const entered = { category, maker: '', name }
    const own = Object.fromEntries(Object.entries(facts).map(([key, it]) => [key, findOwn(it) ?? it]))
    // What is here by that name is as somebody recorded it.
    const told = findByName(writer.tx, entered) ? { facts: {}, specs: {} } : { facts: own, specs: more }
    const modelId = findOrMakeModel(writer, { ...entered, ...told, usual: [] })
    if (isCounted(category)) {
      addToStock(writer, { modelId, category, quantity: aliases.length, placeId })
      const row = writer.tx
        .select({ id: stock.id })
        .from(stock)
        .where(and(eq(stock.modelId, modelId), isNull(stock.archivedAt)))
        .get()
      for (const alias of aliases) idOf.set(alias, row?.id ?? '')
    } else {
      const made = addUnits(writer, { modelId, category, count: aliases.length, placeId })
      for (const [at, alias] of aliases.entries()) idOf.set(alias, made[at]?.id ?? '')
    }
  }
  return idOf
}

export const exampleRoutes = [
  defineRoute('post /examples/:code', ({ params, body, actor }, app) =>
    write(app, actor, (writer) => {
      const example = EXAMPLE_STUDIOS.find((it) => it.code === params.code)
      if (!example) throw new ProblemError(404, 'Not found', 'There is no such example.')
      const { tx, newId, log } = writer
      const ground = findGround(writer, example, body.placeId)
      const idOf = addThings(writer, example, ground.placeId)
      const used = tx.select({ code: setups.code, tape: setups.tape }).from(setups).all()
      const setup = makeExampleSetup(example, { ...ground, used }, (alias) => idOf.get(alias) ?? '', newId)
      const id = newId()
      saveSetup(writer, id, setup, 1)
      log('created', 'setup', id, { after: setup })
      return { setupId: id, things: Object.keys(example.things).length }
    }),
  ),
]
