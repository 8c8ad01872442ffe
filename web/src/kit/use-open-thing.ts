import { useCallback } from 'react'
import { useNavigate } from 'react-router'
import { useLazyUnitsQuery } from '../foundation/api.ts'

/** Opens the thing of a tag; gives false where there is none. */
export function useOpenThing(): (tag: string) => Promise<boolean> {
  const [findUnits] = useLazyUnitsQuery()
  const navigate = useNavigate()
  return useCallback(
    async (tag) => {
      const { rows } = await findUnits({ find: tag }).unwrap()
      const unit = rows.find((it) => it.tag === tag)
      if (unit) navigate(`/kit/${unit.id}`)
      return unit !== undefined
    },
    [findUnits, navigate],
  )
}
