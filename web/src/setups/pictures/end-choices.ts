import type { EndChoice, JointChange, JointChoices, JointEnd, PictureKind } from '@exemplar/core'

type Ends = NonNullable<JointChange['next']>

const endOf = ({ key, portId }: JointEnd): JointEnd => ({ key, portId })

/** A joint of this end with another, the receiving side by its name. */
export function makeEnds(own: EndChoice, other: JointEnd): Ends {
  return own.side === 'host'
    ? { host: endOf(own.end), guest: endOf(other) }
    : { host: endOf(other), guest: endOf(own.end) }
}

/** What is joined at an end, each with its joint. */
export const findJoints = (end: EndChoice) => end.joined.map((other) => ({ other, joint: makeEnds(end, other) }))

/** How many there are of an end, of all those that the choices name. */
export function countEndIn({ ends }: JointChoices): (end: JointEnd) => number {
  const counts = new Map(
    ends
      .flatMap((it) => [it.end, ...it.could, ...it.joined])
      .map(({ key, portId, count }) => [`${key}/${portId}`, count] as const),
  )
  return ({ key, portId }) => counts.get(`${key}/${portId}`) ?? 1
}

/** One end that could be chosen, with what speaks against it: "STD-02 Light stand (bears less than that)". */
export function describeEndChoice(own: EndChoice, other: EndChoice['could'][number]) {
  const { key, portId, tag, name, heldBy, isTooWeak } = other
  const notes = [heldBy && `${heldBy} is there now`, isTooWeak && 'bears less than that'].filter(Boolean)
  return {
    value: `${key}/${portId}`,
    label: `${tag} ${name}${notes.length > 0 ? ` (${notes.join(', ')})` : ''}`,
    joint: makeEnds(own, other),
    told: own.side === 'host' ? `${tag} is on ${own.end.tag}.` : `${own.end.tag} is on ${tag}.`,
  }
}

/**
 * What dropping one thing on another comes to: the likeliest of its ends that goes there, one that hangs open first. A sentence
 * where nothing of it does.
 */
export function findDrop(
  choices: JointChoices,
  kind: PictureKind,
  onto: string,
): { change: JointChange; told: string } | string {
  const ends = choices.ends.filter((it) => it.picture === kind && it.could.some(({ key }) => key === onto))
  const byUse = (it: EndChoice) => Number(it.joined.length >= it.end.count) * 2 + Number(it.side === 'host')
  const [end] = ends.sort((a, b) => byUse(a) - byUse(b))
  const target = end?.could.find((it) => it.key === onto)
  if (!end || !target) {
    const there = choices.ends.flatMap((it) => (it.picture === kind ? it.joined : [])).find((it) => it.key === onto)
    if (there) return `${choices.tag} and ${there.tag} are joined already.`
    return (
      choices.cannot.find((it) => it.picture === kind && it.key === onto)?.why ?? `${choices.tag} does not go there.`
    )
  }
  const [joined] = end.joined.length >= end.end.count ? findJoints(end) : []
  const { joint, told } = describeEndChoice(end, target)
  return { change: { was: joined?.joint ?? null, next: joint }, told }
}
