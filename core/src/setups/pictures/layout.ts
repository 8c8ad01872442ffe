import dagre from '@dagrejs/dagre'
import { splitBranches } from './branches.ts'
import type { Picture, PictureGroup, PictureNode } from './picture.ts'

/** Where something is, in pixels from the upper left corner. */
export interface Box {
  x: number
  y: number
  width: number
  height: number
}

/** The joints of two nodes as one line from the right edge of one box to the left edge of another, over the points between. */
export interface Line {
  from: string
  to: string
  joints: PictureGroup['joints']
  points: readonly { x: number; y: number }[]
}

export interface LaidGroup extends Box {
  root: PictureGroup['root']
  lines: Line[]
}

export interface Layout {
  width: number
  height: number
  boxOf: ReadonlyMap<string, Box>
  groups: LaidGroup[]
}

export interface LayoutOptions {
  /** How wide and high a node is drawn. */
  sizeOf(node: PictureNode): { width: number; height: number }
  /** Wide enough for the name of the root, left of every group. */
  rootWidth: number
  /** What single things may take in a row before the next begins. */
  mostWidth: number
}

const BETWEEN_RANKS = 26
const AFTER_ROOT = 20
const BETWEEN_NODES = 12
const BETWEEN_GROUPS = 20
const MARGIN = 12

/**
 * Lays a picture out from left to right, group under group: by layers, with few crossings. The same picture is laid out the same
 * each time.
 */
export function layoutPicture({ groups }: Picture, options: LayoutOptions): Layout {
  const boxOf = new Map<string, Box>()
  const laid: LaidGroup[] = []
  let top = 0
  let right = 0
  for (const group of groups) {
    const area = layoutGroup(group, options, top, boxOf)
    laid.push(area)
    right = Math.max(right, area.width)
    top += area.height + BETWEEN_GROUPS
  }
  return { width: right, height: Math.max(0, top - BETWEEN_GROUPS), boxOf, groups: laid }
}

function layoutGroup(group: PictureGroup, options: LayoutOptions, top: number, boxOf: Map<string, Box>): LaidGroup {
  const { rootWidth, sizeOf, mostWidth } = options
  const left = rootWidth + AFTER_ROOT
  const joined = new Set(group.joints.flatMap(({ from, to }) => [from, to]))
  const linked = group.nodes.filter((it) => joined.has(it.key))
  const drawn = stackBranches(linked, group.joints, sizeOf)
  for (const [key, box] of drawn.boxes) boxOf.set(key, { ...box, x: box.x + left, y: box.y + top + MARGIN })
  let x = left
  let y = top + MARGIN + drawn.height + (linked.length > 0 ? BETWEEN_NODES : 0)
  let bottom = top + MARGIN + drawn.height
  let right = left + drawn.width
  let rowHeight = 0
  for (const node of group.nodes) {
    if (joined.has(node.key)) continue
    const { width, height } = sizeOf(node)
    if (x > left && x + width > left + mostWidth) {
      x = left
      y += rowHeight + BETWEEN_NODES
      rowHeight = 0
    }
    boxOf.set(node.key, { x, y, width, height })
    rowHeight = Math.max(rowHeight, height)
    bottom = Math.max(bottom, y + height)
    x += width + BETWEEN_NODES
    right = Math.max(right, x - BETWEEN_NODES)
  }
  const lines = drawn.lines.map((line) => ({
    ...line,
    points: line.points.map((it) => ({ x: it.x + left, y: it.y + top + MARGIN })),
  }))
  return { root: group.root, x: 0, y: top, width: right + MARGIN, height: bottom - top + MARGIN, lines }
}

interface Drawn {
  width: number
  height: number
  boxes: [string, Box][]
  lines: Line[]
}

/** Lays out what hangs together by itself, and stacks it in the order of the first of each: roles stay in their order. */
function stackBranches(
  nodes: readonly PictureNode[],
  joints: PictureGroup['joints'],
  sizeOf: LayoutOptions['sizeOf'],
): Drawn {
  const all: Drawn = { width: 0, height: 0, boxes: [], lines: [] }
  const nodeOf = new Map(nodes.map((it) => [it.key, it]))
  for (const keys of splitBranches([...nodeOf.keys()], joints)) {
    const own = new Set(keys)
    const branch = layoutGraph(
      keys.flatMap((key) => nodeOf.get(key) ?? []),
      joints.filter(({ from }) => own.has(from)),
      sizeOf,
    )
    const top = all.height > 0 ? all.height + BETWEEN_NODES : 0
    const down = <T extends { y: number }>(it: T): T => ({ ...it, y: it.y + top })
    all.boxes.push(...branch.boxes.map(([key, box]): [string, Box] => [key, down(box)]))
    all.lines.push(...branch.lines.map((it) => ({ ...it, points: it.points.map(down) })))
    all.width = Math.max(all.width, branch.width)
    all.height = top + branch.height
  }
  return all
}

/** Stands left of everything that nothing leads to, so that all that begins does so in one line, and is seen first. */
const ORIGIN = ' origin'
const PULL_OF_ORIGIN = 8

/** Branches that were laid out, by all that decides how: a change touches one or two of them, and the others are as they were. */
const known = new Map<string, Drawn>()
const MOST_KNOWN = 400

function layoutGraph(
  nodes: readonly PictureNode[],
  joints: PictureGroup['joints'],
  sizeOf: LayoutOptions['sizeOf'],
): Drawn {
  const sized = nodes.map((it) => ({ key: it.key, ...sizeOf(it) }))
  const name = JSON.stringify([sized, joints.map(({ from, to }) => [from, to])])
  const drawn = known.get(name) ?? layoutAnew(sized, joints)
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(name, drawn)
  // Where the lines run is as it was; what they say may be another.
  const joined = groupByEnds(joints)
  const lines = drawn.lines.map((it) => ({ ...it, joints: joined.get(nameEnds(it)) ?? it.joints }))
  return { ...drawn, lines }
}

const nameEnds = ({ from, to }: { from: string; to: string }) => `${from}\n${to}`

function groupByEnds(joints: PictureGroup['joints']): Map<string, PictureGroup['joints']> {
  const pairs = new Map<string, PictureGroup['joints']>()
  for (const joint of joints) pairs.set(nameEnds(joint), [...(pairs.get(nameEnds(joint)) ?? []), joint])
  return pairs
}

function layoutAnew(
  nodes: readonly { key: string; width: number; height: number }[],
  joints: PictureGroup['joints'],
): Drawn {
  // Several lines between two nodes are there while rings are broken up.
  const graph = new dagre.graphlib.Graph({ multigraph: true })
  graph.setGraph({ rankdir: 'LR', ranksep: BETWEEN_RANKS, nodesep: BETWEEN_NODES, edgesep: 8 })
  graph.setNode(ORIGIN, { width: 0, height: 0 })
  const targets = new Set(joints.map((it) => it.to))
  for (const { key, ...size } of nodes) {
    graph.setNode(key, { ...size })
    if (!targets.has(key)) graph.setEdge(ORIGIN, key, { weight: PULL_OF_ORIGIN })
  }
  const linked = [...groupByEnds(joints).values()].map((all) => ({
    from: all[0]?.from ?? '',
    to: all[0]?.to ?? '',
    joints: all,
  }))
  for (const { from, to } of linked) graph.setEdge(from, to, {})
  dagre.layout(graph)
  const boxes = nodes.map(({ key }): [string, Box] => {
    const { x, y, width, height } = graph.node(key)
    return [key, { x: x - width / 2, y: y - height / 2, width, height }]
  })
  const left = Math.min(...boxes.map(([, { x }]) => x))
  const top = Math.min(...boxes.map(([, { y }]) => y))
  const move = <T extends { x: number; y: number }>(it: T): T => ({ ...it, x: it.x - left, y: it.y - top })
  const moved = boxes.map(([key, box]): [string, Box] => [key, move(box)])
  const lines = linked.map((line): Line => {
    const { points = [] } = graph.edge(line.from, line.to)
    return { ...line, points: points.map(({ x, y }: { x: number; y: number }) => move({ x, y })) }
  })
  const width = Math.max(...moved.map(([, it]) => it.x + it.width))
  const height = Math.max(...moved.map(([, it]) => it.y + it.height))
  return { width, height, boxes: moved, lines }
}
