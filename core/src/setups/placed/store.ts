import type { Model } from '../../kit/model/model.ts'
import type { Absence } from '../../kit/unit/absence.ts'
import type { Stock, Unit } from '../../kit/unit/unit.ts'
import type { Circuit } from '../../studio/places/place.ts'

/** A thing of the store that is free for the whole time that is judged. */
export interface FreeItem {
  unit: Unit
  model: Model
  /** How many setups count on it: the fewer, the sooner it is offered. */
  usedBySetups: number
}

/** Counted stock with the pieces that nothing else holds at that time. */
export interface FreeStock {
  stock: Stock
  model: Model
  free: number
}

/** What is not in the setup and could be. */
export interface Store {
  units: readonly FreeItem[]
  stock: readonly FreeStock[]
  /** Things of the same kinds that are not to be had, and why. */
  away?: readonly { unit: Unit; model: Model; absence: Absence }[]
  /** Circuits of the setup's room. */
  circuits: readonly Circuit[]
}
