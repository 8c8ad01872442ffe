import { type BookingReply, sayAbsence } from '@exemplar/core'
import type { ReactNode } from 'react'
import { Mark } from '../foundation/parts/mark.tsx'
import { TapeStrip } from '../foundation/parts/tape.tsx'
import { ThingPicture } from '../foundation/parts/thing-picture.tsx'
import { useTimeWords } from '../foundation/words/time-words.ts'

export type Line = BookingReply['sheet']['stops'][number]['lines'][number]

export const keyOf = (line: { unitId: string | null; stockId: string | null }): string =>
  line.unitId ?? `stock:${line.stockId}`

/** One row for a thumb: what it is, and what to say about it. */
export function FlowRow({ line, isDone, children }: { line: Line; isDone: boolean; children: ReactNode }) {
  const words = useTimeWords()
  return (
    <li
      className={`grid min-h-[60px] grid-cols-[auto_1fr_auto] items-center gap-2.5 border-b border-rule px-4 py-2.5 ${isDone ? 'bg-ok-wash' : ''}`}
    >
      <ThingPicture id={line.unitId} category={line.kind} className="size-11" />
      <span className="min-w-0">
        <span className="block font-semibold">
          <span className="font-mono text-[12.5px] font-medium">{line.tag}</span>{' '}
          {line.quantity > 1 && `${line.quantity} × `}
          {line.name}
        </span>
        <span className="block text-[13px] text-quiet">{line.role}</span>
        {line.away && (
          <span className="block text-[13px]">
            <Mark level="stop">{sayAbsence(line.away, words)}</Mark>
          </span>
        )}
      </span>
      <span className="flex gap-1.5">{children}</span>
    </li>
  )
}

/** The frame of taking out and bringing back: head, rows by place, and a foot within reach of the thumb. */
export function FlowPage({
  booking,
  title,
  aside,
  foot,
  children,
}: {
  booking: BookingReply
  title: string
  aside: string
  foot: ReactNode
  children: ReactNode
}) {
  return (
    <div className="mx-auto flex w-full max-w-[640px] flex-1 flex-col">
      <div className="border-b border-rule px-4 pt-3.5 pb-2.5">
        {booking.setup && <TapeStrip code={booking.setup.code} tape={booking.setup.tape} name={booking.setup.name} />}
        <h1 className="mt-2 text-[20px]">{title}</h1>
        <p className="text-quiet">
          {booking.title} · {aside}
        </p>
      </div>
      <div className="flex-1 pb-4">{children}</div>
      <div className="sticky bottom-14 flex gap-2.5 border-t border-rule bg-sheet px-4 py-3 md:bottom-0">{foot}</div>
    </div>
  )
}
