import type { Interface } from '../../kit/model/interface.ts'
import { LEVELS_WORST_FIRST } from '../../studio/finding.ts'
import { supportTree } from '../checks/rigging/support-tree.ts'
import type { Scene } from '../checks/scene.ts'
import type { Joint } from '../joining/completeness.ts'
import { isConduit } from '../joining/cycles.ts'
import { findPicture, type PictureKind } from '../joining/picture-kind.ts'
import { isItemOf, type PlacedItem } from '../placed/placed-item.ts'
import { splitBranches } from './branches.ts'
import { type Directed, direct } from './flow.ts'
import { makeFigures } from './node-figures.ts'
import { type Picture, type PictureGroup, type PictureNode, ROOTS, type Root } from './picture.ts'
import { type PlaceLevels, rateNode } from './place-levels.ts'

/**
 * One picture of a setup: what stands on what, where signals go, or what feeds what. Every joint of its kinds is in it once;
 * what could join there and does not is in it as well, by itself.
 */
export function drawPicture(kind: PictureKind, scene: Scene, levels: PlaceLevels): Picture {
  const { interfaces } = scene
  const joints = scene.joints.filter((it) => findPicture(it.interfaceCode, interfaces) === kind)
  const joined = new Set(joints.flatMap(({ host, guest }) => [host.key, guest.key]))
  const inCase = new Set(scene.inCase)
  const shown = scene.items.filter((it) => joined.has(it.key) || (isShown(kind, it, scene) && !inCase.has(it)))
  const apart: [Root, readonly PlacedItem[]][] = [
    ['loose', scene.inCase],
    ['spare', scene.spareItems],
    ['away', [...scene.away.map(({ item }) => item), ...scene.spareAway]],
  ]
  const directed = DIRECT[kind](joints, shown, scene)
  const draw = makeNodes(kind, scene, levels)
  const byRoot = new Map<Root, PictureGroup[]>()
  const add = (root: Root, group: PictureGroup) => byRoot.set(root, [...(byRoot.get(root) ?? []), group])
  const rootOf = ROOT_OF[kind](scene, directed)
  const shownOf = new Map(shown.map((it) => [it.key, it]))
  for (const keys of splitBranches([...shownOf.keys()], directed)) {
    const items = keys.flatMap((key) => shownOf.get(key) ?? [])
    const own = new Set(keys)
    const inBranch = directed.filter(({ from }) => own.has(from))
    add(rootOf(items), { root: rootOf(items), ...draw(items, inBranch) })
  }
  for (const [root, items] of apart) {
    const own = items.filter((it) => hasEnds(kind, it, interfaces))
    if (own.length > 0) add(root, { root, ...draw(own, []) })
  }
  const groups = (Object.keys(ROOTS) as Root[]).flatMap((root) => mergeAlone(byRoot.get(root) ?? []))
  return { kind, groups, worst: findWorst(groups.flatMap((it) => it.nodes)) }
}

/** Branches of one root in one group, those with joints first; single things after them. */
function mergeAlone(groups: readonly PictureGroup[]): PictureGroup[] {
  const [first] = groups
  if (!first) return []
  const ordered = [...groups.filter((it) => it.joints.length > 0), ...groups.filter((it) => it.joints.length === 0)]
  const { root } = first
  return [
    { root, ...mergePieces({ nodes: ordered.flatMap((it) => it.nodes), joints: ordered.flatMap((it) => it.joints) }) },
  ]
}

/**
 * Pieces of one stock that are joined alike, or not at all, are drawn as one: four cells in one recorder. Each of their joints stays a
 * joint of its own.
 */
function mergePieces({
  nodes,
  joints,
}: Pick<PictureGroup, 'nodes' | 'joints'>): Pick<PictureGroup, 'nodes' | 'joints'> {
  const merged = new Map<string, PictureNode>()
  const nodeOf = new Map<string, string>()
  for (const node of nodes) {
    const [, stock] = /^stock:(.*):\d+$/.exec(node.key) ?? []
    const name =
      stock === undefined ? node.key : [`stock ${stock}`, node.roleId, ...describeJoints(node.key, joints)].join('\n')
    const known = merged.get(name)
    merged.set(name, known ? { ...known, keys: [...known.keys, ...node.keys] } : node)
    nodeOf.set(node.key, (known ?? node).key)
  }
  const find = (key: string) => nodeOf.get(key) ?? key
  return { nodes: [...merged.values()], joints: joints.map((it) => ({ ...it, from: find(it.from), to: find(it.to) })) }
}

/** What a thing is joined to, end by end. */
const describeJoints = (key: string, joints: PictureGroup['joints']) =>
  joints
    .flatMap(({ host, guest, isStated }) => {
      if (host.key !== key && guest.key !== key) return []
      const [own, other] = host.key === key ? [host, guest] : [guest, host]
      return [`${own.portId} ${other.key} ${other.portId} ${isStated}`]
    })
    .sort()

function findWorst(nodes: readonly PictureNode[]): string | null {
  const ranked = nodes.filter((it) => it.level !== 'ok')
  ranked.sort((a, b) => LEVELS_WORST_FIRST.indexOf(a.level) - LEVELS_WORST_FIRST.indexOf(b.level))
  return ranked[0]?.key ?? null
}

function makeNodes(kind: PictureKind, scene: Scene, levels: PlaceLevels) {
  const figuresOf = makeFigures(kind, scene)
  const labelOf = (code: string) => scene.interfaces.get(code)?.label ?? code
  return (items: readonly PlacedItem[], directed: readonly Directed[]): Pick<PictureGroup, 'nodes' | 'joints'> => ({
    nodes: items.map((item) => {
      const figures = figuresOf(item)
      const { key, tag, name, category, roleId } = item
      const level = rateNode(kind, key, figures, levels)
      return {
        key,
        keys: [key],
        tag,
        name,
        category,
        roleId,
        isPowered: item.powerMode !== null,
        isSmall: isConduit(item) || SMALL.some((kind) => isItemOf(item, kind)),
        figures,
        level,
      }
    }),
    joints: directed.map(({ joint, from, to }) => ({ ...joint, from, to, label: labelOf(joint.interfaceCode) })),
  })
}

const SMALL = ['card', 'cell'] as const

const hasEnds = (kind: PictureKind, { ports }: PlacedItem, interfaces: ReadonlyMap<string, Interface>) =>
  ports.some((port) => port.interfaces.some((code) => findPicture(code, interfaces) === kind))

/** Kinds that are there to feed others. */
const FEEDS = ['strip', 'reel', 'pack', 'cell'] as const

/** What of a picture is there although nothing is joined to it. */
function isShown(kind: PictureKind, item: PlacedItem, { interfaces, unmet }: Scene): boolean {
  if (kind === 'power') return item.powerMode !== null || FEEDS.some((kind) => isItemOf(item, kind))
  // A computer and a recorder without a thread stand somewhere as well.
  if (kind === 'rig')
    return item.category !== 'room' && (isWorn(item) || item.powerMode !== null || hasEnds(kind, item, interfaces))
  if (!hasEnds(kind, item, interfaces)) return false
  return unmet.some((it) => it.thing === item && it.interfaces.some((code) => findPicture(code, interfaces) === kind))
}

type Director = (joints: readonly Joint[], shown: readonly PlacedItem[], scene: Scene) => Directed[]

const DIRECT: Readonly<Record<PictureKind, Director>> = {
  rig: (joints) => joints.map((joint) => ({ joint, from: joint.host.key, to: joint.guest.key })),
  signals: (joints, shown, { itemOf, interfaces }) =>
    direct(
      joints,
      itemOf,
      shown.filter((it) => !isConduit(it)).map((it) => it.key),
      ({ host, guest, interfaceCode }) => {
        if (interfaces.get(interfaceCode)?.kind === 'card') return 'to-guest'
        const [atHost, atGuest] = [host, guest].map(({ key, portId }) => {
          const item = itemOf.get(key)
          return item && !isConduit(item) ? item.ports.find((it) => it.id === portId)?.direction : undefined
        })
        if (atHost === 'out' || atGuest === 'in') return 'to-guest'
        if (atHost === 'in' || atGuest === 'out') return 'to-host'
        return null
      },
    ),
  power: (joints, shown, { itemOf, interfaces }) =>
    direct(
      joints,
      itemOf,
      [
        ...shown.filter((it) => it.category === 'room'),
        ...shown.filter((it) => it.category === 'strip' || it.category === 'reel'),
      ].map((it) => it.key),
      ({ interfaceCode }) => (interfaces.get(interfaceCode)?.kind === 'battery' ? 'to-host' : null),
    ),
}

type RootFinder = (scene: Scene, directed: readonly Directed[]) => (branch: readonly PlacedItem[]) => Root

const ROOT_OF: Readonly<Record<PictureKind, RootFinder>> = {
  rig: findRigRoot,
  signals: (_, directed) => {
    const joined = new Set(directed.flatMap(({ from, to }) => [from, to]))
    return (branch) => (branch.some((it) => joined.has(it.key)) ? 'sources' : 'goes-nowhere')
  },
  power: (scene) => (branch) => {
    if (branch.some((it) => it.key === `circuit:${scene.circuit?.id}`)) return 'mains'
    if (branch.some((it) => isOpen('power', it, scene))) return 'unfed'
    if (
      branch.some((it) =>
        it.ports.some(
          (port) =>
            port.side === 'guest' && port.interfaces.some((code) => scene.interfaces.get(code)?.kind === 'battery'),
        ),
      )
    )
      return 'packs'
    return branch.some((it) => it.powerMode?.source === 'mains') ? 'unfed' : 'own'
  },
}

const isOpen = (kind: PictureKind, item: PlacedItem, { unmet, interfaces }: Scene) =>
  unmet.some((it) => it.thing === item && it.interfaces.some((code) => findPicture(code, interfaces) === kind))

/** Kinds that somebody wears. */
const WORN = ['lavalier', 'headset', 'headphones'] as const

const isWorn = (item: PlacedItem) => WORN.some((kind) => isItemOf(item, kind))

function findRigRoot(scene: Scene, directed: readonly Directed[]): (branch: readonly PlacedItem[]) => Root {
  const carried = new Set(directed.map(({ to }) => to))
  // What is open because something is away hangs in the air as well.
  const open = [...scene.unmet, ...scene.away.flatMap((it) => it.leaves)]
  const inAir = new Set(supportTree.find(scene).flatMap(({ about }) => about))
  const hasFeet = ({ ports }: PlacedItem) =>
    ports.some(
      (port) => port.side === 'host' && port.interfaces.some((code) => scene.interfaces.get(code)?.kind === 'carry'),
    )
  const rootOf = (item: PlacedItem): Root => {
    if (item.key === 'people') return 'people'
    if (item.category === 'room') return 'bars'
    const isHanging = open.some(
      (need) =>
        need.thing === item &&
        need.side === 'guest' &&
        need.interfaces.some((code) => findPicture(code, scene.interfaces) === 'rig'),
    )
    if (isHanging || inAir.has(item.key)) return 'nothing'
    if (isWorn(item)) return 'people'
    return hasFeet(item) && STANDING.some((kind) => isItemOf(item, kind)) ? 'floor' : 'down'
  }
  const order = Object.keys(ROOTS) as Root[]
  return (branch) => {
    const roots = branch.filter((it) => !carried.has(it.key)).map(rootOf)
    return roots.sort((a, b) => order.indexOf(a) - order.indexOf(b))[0] ?? 'down'
  }
}

/** Kinds that stand on the floor by themselves. */
const STANDING = ['tripod', 'stand', 'mic-stand', 'furniture'] as const
