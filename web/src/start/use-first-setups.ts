import { applyRemedy, dropNeedlessRoles, type NewSetup, type Remedy, type SetupReply } from '@exemplar/core'
import { useState } from 'react'
import { useChangeSetupMutation, useLazySetupQuery } from '../foundation/api/api.ts'
import { useLazyChoosingQuery, useLazyConnectPlanQuery } from '../setups/helping-api.ts'
import { toDraft } from '../setups/setup-draft.ts'

const carryOut = (setup: NewSetup, remedies: readonly Remedy[]) =>
  remedies.reduce<NewSetup>(applyRemedy, toDraft(setup))

/** Fills the roles of new setups with what is there and joins it, one setup after the other, and tells how far it is. */
export function useFirstSetups() {
  const [load] = useLazySetupQuery()
  const [choose] = useLazyChoosingQuery()
  const [connect] = useLazyConnectPlanQuery()
  const [change] = useChangeSetupMutation()
  const [at, setAt] = useState<number | null>(null)
  const read = (id: string): Promise<SetupReply> => load(id, false).unwrap()
  const save = async (setup: SetupReply, next: NewSetup) => {
    await change({ id: setup.id, version: setup.version, body: toDraft(next) }).unwrap()
    return read(setup.id)
  }
  const settle = async (id: string) => {
    const empty = await read(id)
    const choices = await choose({ id }, false).unwrap()
    const filled = await save(empty, carryOut(empty, choices.remedies))
    const modelOf = new Map(filled.models.map((it) => [it.id, it.category]))
    const kinds = new Map(filled.units.map((it) => [it.id, modelOf.get(it.modelId)]))
    const fitting = await save(
      filled,
      dropNeedlessRoles(filled, (unitId) => kinds.get(unitId)),
    )
    const plan = await connect({ id }, false).unwrap()
    if (plan.remedies.length > 0) await save(fitting, carryOut(fitting, plan.remedies))
  }
  return {
    at,
    /** How many could not be settled: they stay as they are, and their pages say what is missing. */
    settleAll: async (ids: readonly string[]): Promise<number> => {
      let left = 0
      for (const [index, id] of ids.entries()) {
        setAt(index)
        await settle(id).catch(() => {
          left++
        })
      }
      setAt(null)
      return left
    },
  }
}
