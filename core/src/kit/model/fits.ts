import { z } from 'zod'
import { understandEachOther } from './generation.ts'
import type { Interface } from './interface.ts'
import { type Model, nameModel } from './model.ts'
import type { Port } from './port.ts'
/** One model that can meet another at an interface: it goes in or on, or receives. */
export const fitSchema = z.object({
  modelId: z.string(),
  name: z.string(),
  interface: z.string(),
  /** The side of the model that fits. */
  side: z.enum(['host', 'guest']),
  portId: z.string(),
  /** False where a rating or something carried stands against it. */
  isFine: z.boolean(),
  why: z.enum(['rating', 'forbidden', 'generation']).nullable(),
})
export type Fit = z.infer<typeof fitSchema>
const meets = (port: Port, code: string, side: Port['side']) => port.side === side && port.interfaces.includes(code)

/** Everything with a port at an interface, by side: what receives, and what goes in or on. */
export function listAtInterface(
  models: readonly Model[],
  { code }: Pick<Interface, 'code'>,
): { hosts: Fit[]; guests: Fit[] } {
  const at = (side: 'host' | 'guest') =>
    models.flatMap((model): Fit[] => {
      const port = model.ports.find((it) => meets(it, code, side))
      return port ? [makeFit(model, port, code, null)] : []
    })
  return { hosts: sortFits(at('host')), guests: sortFits(at('guest')) }
}

/** For each port of a model what else can meet it there, in either direction; the same model twice only at two ports. */
export function listFits(model: Model, others: readonly Model[]): { port: Port; fits: Fit[] }[] {
  return model.ports.map((port) => {
    const wanted = port.side === 'host' ? 'guest' : 'host'
    const fits = others.flatMap((other): Fit[] => {
      if (other.id === model.id) return []
      const match = other.ports.find(
        (it) => it.side === wanted && it.interfaces.some((code) => port.interfaces.includes(code)),
      )
      if (!match) return []
      const code = match.interfaces.find((it) => port.interfaces.includes(it)) ?? ''
      return [
        makeFit(
          other,
          match,
          code,
          findObjection(match, port) ?? (understandEachOther(other, model) === false ? 'generation' : null),
        ),
      ]
    })
    return { port, fits: sortFits(fits) }
  })
}

function makeFit(model: Model, port: Port, code: string, why: Fit['why']): Fit {
  return {
    modelId: model.id,
    name: nameModel(model),
    interface: code,
    side: port.side,
    portId: port.id,
    isFine: why === null,
    why,
  }
}

/** What one side demands the other must be good for, and what one forbids the other must not carry. */
function findObjection(a: Port, b: Port): Fit['why'] {
  const falls = (demand: Port['demand'], rating: Port['rating']) =>
    demand !== null && rating !== null && demand.quantity === rating.quantity && rating.value < demand.value
  if (falls(a.demand, b.rating) || falls(b.demand, a.rating)) return 'rating'
  const forbids = (x: Port, y: Port) => x.forbids.some((it) => y.carries.includes(it))
  return forbids(a, b) || forbids(b, a) ? 'forbidden' : null
}

const sortFits = (fits: Fit[]) =>
  fits.sort((a, b) => Number(b.isFine) - Number(a.isFine) || (a.name < b.name ? -1 : a.name > b.name ? 1 : 0))
