import { z } from 'zod'
import type { Picture, PictureJoint } from './picture.ts'

/** What is otherwise in one picture than in another, thing by thing; by the things themselves, so that other things are new. */
export const pictureChangeSchema = z.object({
  /** Things that only the second has. */
  added: z.array(z.object({ key: z.string(), tag: z.string() })),
  /** Things that only the first has. */
  gone: z.array(z.object({ key: z.string(), tag: z.string() })),
  /** Things of both that are on, in or at something else. */
  moved: z.array(z.object({ key: z.string(), tag: z.string(), from: z.array(z.string()), to: z.array(z.string()) })),
})
export type PictureChange = z.infer<typeof pictureChangeSchema>

export function comparePictures(before: Picture, after: Picture): PictureChange {
  const [was, is] = [listTags(before), listTags(after)]
  const only = (one: Map<string, string>, other: Map<string, string>) =>
    [...one].flatMap(([key, tag]) => (other.has(key) ? [] : [{ key, tag }]))
  const [wasOn, isOn] = [listCarriers(before, was), listCarriers(after, is)]
  return {
    added: only(is, was),
    gone: only(was, is),
    moved: [...is].flatMap(([key, tag]) => {
      if (!was.has(key)) return []
      const [from, to] = [wasOn.get(key) ?? [], isOn.get(key) ?? []]
      return from.join() === to.join() ? [] : [{ key, tag, from, to }]
    }),
  }
}

const listTags = ({ groups }: Picture) =>
  new Map(groups.flatMap((it) => it.nodes.map(({ key, tag }) => [key, tag] as const)))

/** Tags of what each thing is carried, fed or reached by, in an order of their own. */
function listCarriers({ groups }: Picture, tagOf: ReadonlyMap<string, string>): Map<string, string[]> {
  const carriers = new Map<string, string[]>()
  for (const { from, to } of groups.flatMap((it): PictureJoint[] => it.joints))
    carriers.set(to, [...(carriers.get(to) ?? []), tagOf.get(from) ?? from].sort())
  return carriers
}
