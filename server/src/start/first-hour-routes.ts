import {
  type BodyOf,
  type Category,
  COUNTRIES,
  isCounted,
  listUsualOf,
  makeFirstSetup,
  NO_DETAILS,
  PLUG_SYSTEMS,
  STARTER_MODELS,
  type StarterModel,
} from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { refuseField } from '../foundation/base/problem.ts'
import { type Writer, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { addToStock, addUnits } from '../kit/unit/adding.ts'
import { findByName, findOrMakeModel } from '../kit/unit/entered-model.ts'
import { stock, units } from '../schema/kit-tables.ts'
import { entries } from '../schema/ledger-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { places, studio } from '../schema/studio-tables.ts'
import { saveSetup } from '../setups/setup-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

type Answers = BodyOf<'post /first-hour'>

/** The country brings its sockets, voltage, currency, zone and measures, as long as nothing is here that was recorded in others. */
function settleIn({ tx, log }: Writer, country: Answers['country']): void {
  const { version, ...before } = loadStudio(tx)
  const isBegun = [units, stock, entries, setups].some((table) => tx.select({ id: table.id }).from(table).get())
  if (isBegun || before.country === country) return
  const { plugSystem, currency, zone, unitSystem } = COUNTRIES[country]
  const { volts, hertz } = PLUG_SYSTEMS[plugSystem]
  const after = { ...before, country, plugSystem, currency, zone, unitSystem, mainsVolts: volts, mainsHertz: hertz }
  tx.update(studio)
    .set({ settings: after, version: version + 1 })
    .where(eq(studio.id, 1))
    .run()
  log('changed', 'studio', 'studio', { before, after })
}

/** A room with one circuit as it is usual there, to be put right when somebody has looked at the breaker. */
export function makeRoom({ tx, newId, log }: Writer, { name, size }: Answers['room']) {
  const { plugSystem, mainsVolts } = loadStudio(tx)
  const { socket, outletAmps } = PLUG_SYSTEMS[plugSystem]
  const circuit = {
    id: newId(),
    name: 'Sockets',
    volts: mainsVolts,
    amps: outletAmps,
    outlets: 4,
    outletInterface: socket,
  }
  const room = tx
    .insert(places)
    .values({
      id: newId(),
      name,
      kind: 'room',
      parentId: null,
      circuits: [circuit],
      note: 'The circuit stands here as is usual in this country. Look at the breaker, and put it right.',
      details: { ...NO_DETAILS, size },
    })
    .returning()
    .get()
  log('created', 'place', room.id, { after: room })
  return { placeId: room.id, circuitId: circuit.id }
}

function addThings(writer: Writer, starter: StarterModel, count: number, placeId: string): void {
  const { category, name, more = {} } = starter
  const entered = { category, maker: '', name }
  // What is here by that name is as somebody recorded it.
  const told = findByName(writer.tx, entered)
    ? { facts: {}, specs: {}, usual: [] }
    : { facts: starter.facts, specs: more, usual: listUsualOf(starter) }
  const modelId = findOrMakeModel(writer, { ...entered, ...told })
  if (isCounted(category)) addToStock(writer, { modelId, category, quantity: count, placeId })
  else addUnits(writer, { modelId, category, count, placeId })
}

export const firstHourRoutes = [
  defineRoute('post /first-hour', ({ body, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, log } = writer
      settleIn(writer, body.country)
      const ground = makeRoom(writer, body.room)
      const owned: Category[] = []
      for (const [at, { starter: name, count }] of body.things.entries()) {
        const starter = STARTER_MODELS.find((it) => it.name === name)
        if (!starter) throw refuseField(`/things/${at}/starter`, `“${name}” is none of the common things.`)
        addThings(writer, starter, count, ground.placeId)
        owned.push(starter.category)
      }
      const used = tx.select({ code: setups.code, tape: setups.tape }).from(setups).all()
      const setupIds = body.purposes.map((purpose) => {
        const id = newId()
        const setup = makeFirstSetup(purpose, { ...ground, used, owned }, newId)
        used.push(setup)
        saveSetup(writer, id, setup, 1)
        log('created', 'setup', id, { after: setup })
        return id
      })
      return { setupIds, things: body.things.reduce((sum, it) => sum + it.count, 0) }
    }),
  ),
]
