import type { PictureNode, Readiness, Working } from '@exemplar/core'
import { Worked } from '../margin/worked.tsx'

/** Whether a sum is about this thing: by its key, by the tags in it, or as the room's sockets. */
function isAbout(working: Working, { key, tag }: PictureNode): boolean {
  if ('key' in working) return working.key === key
  if (working.formula === 'circuit-load')
    return key.startsWith('circuit:') || working.loads.some((it) => it.tag === tag)
  return working.formula === 'pack-hours' && working.devices.some((it) => it.tag === tag)
}

/** Every sum that one thing is in, with its working. */
export function ThingWorkings({ readiness, node }: { readiness: Readiness; node: PictureNode }) {
  const workings = readiness.workings.filter((it) => isAbout(it, node))
  if (workings.length === 0) return null
  return (
    <section className="mt-4 border-t border-rule pt-3">
      <h3 className="mb-1">Sums</h3>
      <ul className="grid gap-2">
        {workings.map((it) => (
          <li key={JSON.stringify(it)}>
            <Worked working={it} follows={readiness.follows} usual={readiness.usual} />
          </li>
        ))}
      </ul>
    </section>
  )
}
