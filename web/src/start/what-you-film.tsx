import type { Purpose } from '@exemplar/core'

/** In plain words what somebody films; each becomes a setup with its roles. */
const FILMED: readonly (readonly [purpose: Purpose, title: string, hint: string])[] = [
  ['talking-head', 'One person talks to camera', 'sitting or standing'],
  ['interview', 'Two people talk', 'interview, podcast'],
  ['top-down', 'Something on a table, from above', 'hands, drawing, cooking'],
  ['demonstration', 'Somebody shows something at a table', 'hands and face'],
  ['panel', 'Several cameras, cut live', 'panel, show'],
  ['live-stream', 'Live on the net', 'alone or with guests'],
  ['lecture', 'A talk or a lesson', 'speaker and slides'],
  ['green-screen', 'In front of a green cloth', 'the background comes later'],
  ['close-up', 'Close-ups of small things', 'products, plants, parts'],
  ['voice-over', 'Voice only', 'no picture'],
  ['walk-and-talk', 'Walking and talking', 'in the hand'],
  ['location', 'Out of the house', 'bag, packs, no sockets'],
]

export function WhatYouFilm({
  chosen,
  problem,
  onChange,
}: {
  chosen: readonly Purpose[]
  problem: string | undefined
  onChange(purposes: Purpose[]): void
}) {
  return (
    <fieldset className="min-w-0" aria-describedby={problem ? 'film-problem' : undefined}>
      <legend className="sr-only">What do you film?</legend>
      {problem && (
        <p id="film-problem" role="alert" className="py-2 text-[13px] font-semibold text-stop">
          {problem}
        </p>
      )}
      {FILMED.map(([purpose, title, hint]) => (
        <label key={purpose} className="flex min-h-14 cursor-pointer items-center gap-4 border-b border-rule py-2">
          <input
            type="checkbox"
            className="size-6 accent-(--ink)"
            checked={chosen.includes(purpose)}
            onChange={(event) =>
              onChange(event.target.checked ? [...chosen, purpose] : chosen.filter((it) => it !== purpose))
            }
          />
          <span>
            <span className="block text-[15px] font-semibold">{title}</span>
            <span className="text-[13px] text-quiet">{hint}</span>
          </span>
        </label>
      ))}
    </fieldset>
  )
}
