import type { Picture, PictureJoint } from './picture.ts'

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
  const drawing = power.groups.flatMap((group) => group.nodes.filter((it) => draws(it)).map((it) => it.key))
  return {
    goesOff: drawing.filter((it) => it !== key && off.has(it)),
    goesOn: drawing.filter((it) => !off.has(it)),
  }
}

const feedersOf = (key: string, joints: readonly PictureJoint[]) =>
  joints.filter((it) => it.to === key).map((it) => it.from)

const draws = ({ figures }: Picture['groups'][number]['nodes'][number]) => figures.some((it) => it.figure === 'draws')
