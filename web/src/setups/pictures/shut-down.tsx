import { listShutDown, type Picture } from '@exemplar/core'

/** The last step of a session on power: what one switch does, and what has to be done by itself. */
export function ShutDown({ power }: { power: Picture }) {
  const { switches, byThemselves } = listShutDown(power)
  if (switches.length === 0 && byThemselves.length === 0) return null
  const tags = (all: readonly string[]) => <b className="font-mono font-medium">{all.join(', ')}</b>
  return (
    <section className="mt-4 max-w-[70ch] border-t border-rule pt-2 text-[13px]">
      <h2 className="text-[13px]">Shut down</h2>
      <ol>
        {switches.map((it) => (
          <li key={it.key}>
            Switch off {tags([it.tag])}: {tags(it.goesOff)} {it.goesOff.length === 1 ? 'goes' : 'go'} off with it.
          </li>
        ))}
        {byThemselves.length > 0 && (
          <li>
            {switches.length > 0 ? 'On no switch, each by itself' : 'Nothing is on a strip: each by itself'}:{' '}
            {tags(byThemselves)}.
          </li>
        )}
      </ol>
    </section>
  )
}
