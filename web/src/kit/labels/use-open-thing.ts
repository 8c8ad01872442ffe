import { useCallback } from 'react'
import { useNavigate } from 'react-router'
import { useLazyStockQuery, useLazyUnitsQuery } from '../../foundation/api/api.ts'

/** Opens the thing of a tag, or the stock page for the tag of a bin; gives false where there is none. */
export function useOpenThing(): (tag: string) => Promise<boolean> {
  const [findUnits] = useLazyUnitsQuery()
  const [listStock] = useLazyStockQuery()
  const navigate = useNavigate()
  return useCallback(
    async (tag) => {
      const { rows } = await findUnits({ find: tag }).unwrap()
      const unit = rows.find((it) => it.tag === tag)
      if (unit) navigate(`/kit/${unit.id}`)
      if (unit) return true
      const isBin = (await listStock().unwrap()).some((it) => it.tag === tag)
      if (isBin) navigate('/kit/stock')
      return isBin
    },
    [findUnits, listStock, navigate],
  )
}
