import type { PictureGroup, PictureJoint, PictureKind, PictureNode } from '@exemplar/core'

/** What each picture is called, and the question that it answers. */
export const PICTURE_NAMES: Readonly<Record<PictureKind, { label: string; question: string }>> = {
  rig: { label: 'Rig', question: 'What stands on what' },
  signals: { label: 'Signals', question: 'Where signals go' },
  power: { label: 'Power', question: 'What feeds what' },
}

/** A node with what hangs on it, as it is listed: whatever is reached over several ways stands under the first. */
export interface Branch {
  node: PictureNode
  /** The joints by which it hangs on the one above it; none at a root. */
  by: PictureJoint[]
  /** What it is joined to as well, besides the one above it. */
  also: PictureJoint[]
  below: Branch[]
}

/** The nodes of a group as branches, each node once. */
export function listBranches({ nodes, joints }: PictureGroup): Branch[] {
  const nodeOf = new Map(nodes.map((it) => [it.key, it]))
  const listed = new Set<string>()
  const grow = (node: PictureNode, above: string | null): Branch => {
    listed.add(node.key)
    const into = joints.filter((it) => it.to === node.key)
    const branch: Branch = {
      node,
      by: into.filter((it) => it.from === above),
      also: into.filter((it) => it.from !== above),
      below: [],
    }
    for (const { from, to } of joints) {
      const next = nodeOf.get(to)
      if (from === node.key && next && !listed.has(to)) branch.below.push(grow(next, node.key))
    }
    return branch
  }
  const targets = new Set(joints.map((it) => it.to))
  const roots = [...nodes.filter((it) => !targets.has(it.key)), ...nodes]
  return roots.flatMap((node) => (listed.has(node.key) ? [] : [grow(node, null)]))
}
