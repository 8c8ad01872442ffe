import { DndContext, MouseSensor, useSensor, useSensors } from '@dnd-kit/core'
import {
  type JointChoices,
  type Layout,
  layoutPicture,
  NOT_IN_USE,
  type Picture,
  type PictureChange,
  type PictureNode,
  ROOTS,
} from '@exemplar/core'
import { type CSSProperties, type RefObject, useEffect, useMemo, useRef, useState } from 'react'
import { PictureLines } from './picture-lines.tsx'
import { type Branch, listBranches, PICTURE_NAMES } from './picture-names.ts'
import { type DropStanding, PictureNodeButton } from './picture-node.tsx'
import { sizeNode } from './picture-size.ts'

const ROOT_WIDTH = 72
/** What a printed page is wide, in pixels. */
const PAGE_WIDTH = 690

/** Whoever sees it drag sees what came of it, and a note says it to all; what the library would say of it names keys. */
const SILENT = {
  screenReaderInstructions: { draggable: 'Press Enter for all that it joins.' },
  announcements: {
    onDragStart: () => undefined,
    onDragOver: () => undefined,
    onDragEnd: () => undefined,
    onDragCancel: () => undefined,
  },
}

/** What is being dragged, and what it could be put on; null while that is asked. */
export interface Dragged {
  key: string
  choices: JointChoices | null
}

interface ViewProps {
  picture: Picture
  /** Against what it is compared with. */
  change: PictureChange | null
  dragged: Dragged | null
  onOpen(node: PictureNode): void
  /** Null for who only looks. */
  onDrag: { start(key: string): void; drop(key: string, onto: string | null): void } | null
}

/** One picture of a setup: a nested list that is laid out from left to right where there is room. */
export function PictureView(props: ViewProps) {
  const { picture, onDrag } = props
  const layout = useMemo(
    () => layoutPicture(picture, { sizeOf: sizeNode, rootWidth: ROOT_WIDTH, mostWidth: 640 }),
    [picture],
  )
  const frame = useRef<HTMLDivElement>(null)
  const isWider = useIsWider(frame, layout.width)
  // A push is no drag: that begins a few pixels on. By touch and keyboard the sheet of a thing does the same.
  const sensors = useSensors(useSensor(MouseSensor, { activationConstraint: { distance: 6 } }))
  const style = {
    '--w': `${layout.width}px`,
    '--h': `${layout.height}px`,
    '--fit': Math.min(1, PAGE_WIDTH / layout.width),
  } as CSSProperties
  return (
    <DndContext
      sensors={sensors}
      accessibility={SILENT}
      onDragStart={({ active }) => onDrag?.start(String(active.id))}
      onDragCancel={({ active }) => onDrag?.drop(String(active.id), null)}
      onDragEnd={({ active, over }) => onDrag?.drop(String(active.id), over ? String(over.id) : null)}
    >
      <p className="no-print text-[12px] text-quiet max-md:hidden">
        {isWider && 'Wider than the page: scroll it sideways.'}
      </p>
      <div className="overflow-x-auto pb-3" ref={frame}>
        <div className="picture" style={style}>
          <PictureLines layout={layout} worst={picture.worst} />
          {picture.groups.map((group, at) => (
            <section key={group.root} aria-label={ROOTS[group.root]}>
              <h2 className="picture-root text-[12.5px]" style={placeRoot(layout.groups[at])}>
                {ROOTS[group.root]}
              </h2>
              <Branches
                branches={listBranches(group)}
                layout={layout}
                {...props}
                onDrag={NOT_IN_USE[group.root] ? null : onDrag}
              />
            </section>
          ))}
        </div>
      </div>
    </DndContext>
  )
}

/** Whether what is in a frame is wider than it, also after it changes its size. */
function useIsWider(frame: RefObject<HTMLElement | null>, width: number): boolean {
  const [room, setRoom] = useState(Number.POSITIVE_INFINITY)
  useEffect(() => {
    const element = frame.current
    if (!element || typeof ResizeObserver === 'undefined') return
    const observer = new ResizeObserver(() => setRoom(element.clientWidth))
    observer.observe(element)
    return () => observer.disconnect()
  }, [frame])
  return width > room
}

function placeRoot(area: Layout['groups'][number] | undefined): CSSProperties {
  return { '--y': `${area?.y ?? 0}px`, '--nh': `${area?.height ?? 0}px`, '--nw': `${ROOT_WIDTH}px` } as CSSProperties
}

function Branches({ branches, layout, ...props }: ViewProps & { branches: readonly Branch[]; layout: Layout }) {
  const { picture, change, dragged, onOpen, onDrag } = props
  return (
    <ul>
      {branches.map((branch) => {
        const { node, below } = branch
        const box = layout.boxOf.get(node.key)
        const style = {
          '--x': `${box?.x ?? 0}px`,
          '--y': `${box?.y ?? 0}px`,
          '--nw': `${box?.width ?? 0}px`,
          '--nh': `${box?.height ?? 0}px`,
        } as CSSProperties
        return (
          <li key={node.key}>
            <PictureNodeButton
              node={node}
              says={sayBranch(branch, picture)}
              change={change && sayChange(node, change)}
              isWorst={picture.worst === node.key}
              standing={findStanding(node.key, dragged, picture)}
              canDrag={onDrag !== null}
              style={style}
              onOpen={() => onOpen(node)}
            />
            {below.length > 0 && <Branches {...props} branches={below} layout={layout} />}
          </li>
        )
      })}
    </ul>
  )
}

/** "assumed; also into REC-01", for who does not see the lines. */
function sayBranch({ by, also }: Branch, { groups }: Picture): string {
  const tagOf = new Map(groups.flatMap(({ nodes }) => nodes.map((it) => [it.key, it.tag] as const)))
  const standing = by.length === 0 ? '' : by.every((it) => it.isStated) ? 'as stated' : 'assumed'
  const others = [...new Set(also.map((it) => tagOf.get(it.from) ?? ''))]
  return [standing, others.length > 0 ? `also by ${others.join(', ')}` : ''].filter(Boolean).join(', ')
}

function sayChange({ key }: PictureNode, { added, moved }: PictureChange): string | null {
  if (added.some((it) => it.key === key)) return 'new'
  const move = moved.find((it) => it.key === key)
  if (!move) return null
  return move.from.length > 0 ? `moved, was on ${move.from.join(', ')}` : 'moved'
}

function findStanding(key: string, dragged: Dragged | null, { kind }: Picture): DropStanding {
  if (!dragged?.choices || dragged.key === key) return null
  const isThere = dragged.choices.ends.some(
    (end) => end.picture === kind && [...end.could, ...end.joined].some((it) => it.key === key),
  )
  return isThere ? 'could' : 'cannot'
}

/** How many joints of a picture are assumed, in words: "What stands on what. Dashed is assumed: 3 of 14." */
export function sayAssumed({ kind, groups }: Picture): string {
  const joints = groups.flatMap((it) => it.joints)
  const assumed = joints.filter((it) => !it.isStated).length
  const { question } = PICTURE_NAMES[kind]
  if (joints.length === 0) return `${question}. Nothing is joined here.`
  if (assumed === 0) return `${question}. All ${joints.length} joints are as somebody stated.`
  return `${question}. Dashed is assumed: ${assumed} of ${joints.length}.`
}
