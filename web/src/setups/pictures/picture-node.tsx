import { useDraggable, useDroppable } from '@dnd-kit/core'
import { type PictureNode, sayNodeFigure } from '@exemplar/core'
import type { CSSProperties } from 'react'
import { LEVEL_TONES, Mark } from '../../foundation/parts/mark.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { MOST_FIGURES } from './picture-size.ts'

/** While a thing is dragged: whether this one could take it. */
export type DropStanding = 'could' | 'cannot' | null

/** One thing of a picture: where the layout puts it on a desk, in its list on a phone. A push opens all that it joins. */
export function PictureNodeButton({
  node,
  says,
  change,
  isWorst,
  standing,
  canDrag,
  style,
  onOpen,
}: {
  node: PictureNode
  /** How it hangs on what is above it, for who does not see the lines. */
  says: string
  /** New or moved, against what it is compared with. */
  change: string | null
  isWorst: boolean
  standing: DropStanding
  canDrag: boolean
  style: CSSProperties
  onOpen(): void
}) {
  const { system } = useTimeWords()
  const drag = useDraggable({ id: node.key, disabled: !canDrag })
  const drop = useDroppable({ id: node.key })
  const { isSmall, level, tag, keys, name } = node
  const figures = node.figures.map((it) => ({
    text: sayNodeFigure(it, system),
    level: 'level' in it ? it.level : 'ok',
  }))
  const look =
    isWorst && level === 'stop'
      ? 'border-2 border-stop'
      : change
        ? 'border-2 border-advise'
        : 'border border-rule-strong'
  return (
    <button
      type="button"
      ref={(element) => {
        drag.setNodeRef(element)
        drop.setNodeRef(element)
      }}
      {...(canDrag ? drag.listeners : {})}
      style={style}
      onClick={onOpen}
      data-standing={standing ?? undefined}
      className={`picture-node rounded-paper bg-sheet text-left text-ink hover:bg-wash ${look} ${isSmall ? 'is-small px-2 py-0.5' : 'px-2 py-1'} ${standing === 'cannot' ? 'opacity-45 line-through' : ''} ${standing === 'could' && drop.isOver ? 'bg-wash outline-2 outline-advise' : ''} ${drag.isDragging ? 'opacity-60' : ''}`}
    >
      <span className="flex min-w-0 items-center gap-1.5">
        {level !== 'ok' && <Mark level={level} />}
        <b className="font-mono text-[12px] font-medium whitespace-nowrap">
          {keys.length > 1 ? `${keys.length} × ${tag}` : tag}
        </b>
        {isSmall ? (
          <span className="truncate text-[11.5px] text-quiet">{figures[0]?.text ?? name}</span>
        ) : (
          <span className="truncate text-[12.5px] font-semibold" title={name}>
            {name}
          </span>
        )}
      </span>
      {!isSmall &&
        figures.slice(0, MOST_FIGURES).map((it) => (
          <span
            key={it.text}
            title={it.text}
            className={`block truncate text-[11.5px] leading-4 ${it.level === 'ok' ? 'text-quiet' : `font-semibold ${LEVEL_TONES[it.level]}`}`}
          >
            {it.text}
          </span>
        ))}
      <span className="picture-says text-[12px] text-quiet">{[says, change].filter(Boolean).join(', ')}</span>
    </button>
  )
}
