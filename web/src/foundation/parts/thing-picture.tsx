import type { Category } from '@exemplar/core'
import { usePhotosQuery } from '../api/api.ts'
import { Silhouette } from './silhouette.tsx'

/** What a thing looks like, beside its name: its photo, or that of another piece of its model, else what its kind looks like. */
export function ThingPicture({
  id,
  category,
  photo: known,
  className = 'size-9',
}: {
  /** Of the unit; null for counted things, which have no photos of their own. */
  id: string | null
  category: Category
  /** The attachment that shows it, where the page knows it already; null where none does. */
  photo?: string | null
  className?: string
}) {
  const { data } = usePhotosQuery(undefined, { skip: known !== undefined })
  const photo = known ?? (id === null ? undefined : data?.[id])
  if (!photo) return <Silhouette category={category} className={className} />
  // Its name stands beside it.
  return (
    <img
      src={`/api/attachments/${photo}/thumbnail`}
      alt=""
      loading="lazy"
      className={`${className} shrink-0 border border-rule object-cover`}
    />
  )
}
