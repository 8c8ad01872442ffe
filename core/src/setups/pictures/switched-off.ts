import { NOT_IN_USE, type Picture, type PictureJoint, type PictureNode } from './picture.ts'

/** What goes off where one thing is switched off or unplugged, and what of the setup's powered things goes on. */
export interface SwitchedOff {
  goesOff: string[]
  goesOn: string[]
}

/**
 * What one switch takes with it: whatever is fed by it alone, directly or over what it feeds. Keys of things that draw or
 * feed, as they are in the picture of what feeds what; leads and cables are left out.
 */
export function findSwitchedOff(power: Picture, key: string): SwitchedOff {
  const joints = power.groups.flatMap((it) => it.joints)
  const off = new Set([key])
  for (let isGrowing = true; isGrowing; ) {
    isGrowing = false
    for (const { to } of joints) {
      if (off.has(to) || !feedersOf(to, joints).every((it) => off.has(it))) continue
      off.add(to)
      isGrowing = true
    }
  }
  const drawing = listInUse(power)
    .filter(draws)
    .map((it) => it.key)
  return {
    goesOff: drawing.filter((it) => it !== key && off.has(it)),
    goesOn: drawing.filter((it) => !off.has(it)),
  }
}

/** How a setup is shut down: each switch with what goes off with it, and what has to be switched off by itself. */
export interface ShutDown {
  switches: { key: string; tag: string; goesOff: string[] }[]
  /** Tags of what draws power and is on none of them. */
  byThemselves: string[]
}

/** Strips are the switches of a setup; of one strip behind another only the first is switched. */
export function listShutDown(power: Picture): ShutDown {
  const nodes = listInUse(power)
  const tagOf = new Map(nodes.map((it) => [it.key, it.tag]))
  const off = new Set<string>()
  const switches = nodes
    .filter((it) => it.category === 'strip')
    .map(({ key, tag }) => ({ key, tag, keys: findSwitchedOff(power, key).goesOff }))
    .sort((a, b) => b.keys.length - a.keys.length)
    .flatMap(({ key, tag, keys }) => {
      const fresh = keys.filter((it) => !off.has(it))
      for (const it of fresh) off.add(it)
      return fresh.length > 0 ? [{ key, tag, goesOff: fresh.map((it) => tagOf.get(it) ?? it) }] : []
    })
  return { switches, byThemselves: nodes.filter((it) => draws(it) && !off.has(it.key)).map((it) => it.tag) }
}

const feedersOf = (key: string, joints: readonly PictureJoint[]) =>
  joints.filter((it) => it.to === key).map((it) => it.from)

/** What is not there, or only there in case, is switched by nobody. */
const listInUse = ({ groups }: Picture): PictureNode[] =>
  groups.flatMap(({ root, nodes }) => (NOT_IN_USE[root] ? [] : nodes))

const draws = ({ isPowered }: PictureNode) => isPowered
