import { sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useUnitCountQuery } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellTrouble } from '../foundation/api/toasts.ts'
import { FormProblem } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { type Answers, useAnswers } from './first-answers.ts'
import { type FirstAnswers, useBeginMutation } from './first-hour-api.ts'
import { useFirstSetups } from './use-first-setups.ts'
import { WhatYouFilm } from './what-you-film.tsx'
import { WhatYouHave } from './what-you-have.tsx'
import { WhereYouFilm } from './where-you-film.tsx'

const STEPS = [
  { title: 'What do you film?', lead: 'Each becomes a setup with its roles.' },
  { title: 'Where do you film?', lead: 'The country brings its sockets, currency and measures.' },
  { title: 'What do you have?', lead: 'About is fine. Names, prices and the rest can wait.' },
] as const

/** All three sides, or none: half a size fits no room. */
function readSize({ widthMm, depthMm, heightMm }: Answers['size']): FirstAnswers['room']['size'] {
  return widthMm && depthMm && heightMm ? { widthMm, depthMm, heightMm } : null
}

const toBody = ({ purposes, country, room, size, counts }: Answers): FirstAnswers => ({
  purposes,
  country,
  room: { name: room.trim(), size: readSize(size) },
  things: Object.entries(counts).map(([starter, count]) => ({ starter, count })),
})

/** From nothing to a first verdict: three questions, and the answers become things, a room and setups with filled roles. */
export function FirstHourPage() {
  const { answers, set, forget } = useAnswers()
  const [step, setStep] = useState(0)
  const [isAsked, setAsked] = useState(false)
  const { data: count } = useUnitCountQuery({})
  const [begin, { error, isLoading }] = useBeginMutation()
  const { at, settleAll } = useFirstSetups()
  const navigate = useNavigate()
  const dispatch = useAppDispatch()
  const isBegun = (count?.units ?? 0) > 0
  const isBusy = isLoading || at !== null
  const open = [answers.purposes.length === 0, answers.room.trim() === '', Object.keys(answers.counts).length === 0]
  const go = (to: number) => {
    setAsked(false)
    setStep(to)
    window.scrollTo(0, 0)
  }
  const next = async () => {
    if (open[step]) return setAsked(true)
    if (step < STEPS.length - 1) return go(step + 1)
    const { setupIds } = await begin(toBody(answers)).unwrap()
    const left = await settleAll(setupIds)
    if (left > 0) dispatch(tellTrouble(sayLeft(left)))
    forget()
    navigate(setupIds.length === 1 ? `/setups/${setupIds[0]}` : '/setups')
  }
  const { title, lead } = STEPS[step] ?? STEPS[0]
  return (
    <form
      className="mx-auto max-w-[640px] px-4 pt-4 pb-28 md:px-5"
      onSubmit={(event) => {
        event.preventDefault()
        next().catch(() => {})
      }}
    >
      <p className="figures text-[13px] text-quiet">
        {step + 1} of {STEPS.length}
      </p>
      <h1>{title}</h1>
      <p className="border-b border-rule pb-3 text-quiet">{lead}</p>
      {isBegun && step === 0 && (
        <p className="border-l-4 border-rule-strong px-3 py-2 text-[13px]">
          There {count?.units === 1 ? 'is' : 'are'} {sayNumber(count?.units ?? 0, 'thing')} here already. What you
          answer here comes beside {count?.units === 1 ? 'it' : 'them'}.
        </p>
      )}
      {step === 0 && (
        <WhatYouFilm
          chosen={answers.purposes}
          problem={isAsked ? 'Choose at least one.' : undefined}
          onChange={(purposes) => set({ purposes })}
        />
      )}
      {step === 1 && <WhereYouFilm answers={answers} hasCountry={isBegun} onChange={set} />}
      {step === 2 && (
        <>
          {isAsked && open[2] && (
            <p role="alert" className="pt-2 text-[13px] font-semibold text-stop">
              Count at least one thing; a phone will do.
            </p>
          )}
          <WhatYouHave counts={answers.counts} onChange={(counts) => set({ counts })} />
        </>
      )}
      <FormProblem text={error ? readProblem(error).detail : null} />
      <div className="fixed inset-x-0 bottom-14 z-10 border-t border-rule bg-sheet px-4 py-3 md:sticky md:bottom-0">
        <div className="mx-auto flex max-w-[640px] gap-3">
          {step > 0 && (
            <Button size="thumb" className="flex-1" disabled={isBusy} onClick={() => go(step - 1)}>
              Back
            </Button>
          )}
          <Button look="act" size="thumb" type="submit" className="flex-1" disabled={isBusy}>
            {isBusy ? sayProgress(at, answers.purposes.length) : (NEXT[step] ?? 'Next')}
          </Button>
        </div>
        <p className="sr-only" role="status">
          {isBusy ? sayProgress(at, answers.purposes.length) : ''}
        </p>
      </div>
    </form>
  )
}

const NEXT = ['Next: your room', 'Next: your things', 'See what can run']

const sayLeft = (left: number) =>
  `${left === 1 ? 'One setup' : `${left} setups`} could not be filled. It is there with its roles: “Choose for me” tries again.`

const sayProgress = (at: number | null, setups: number) =>
  at === null ? 'Writing it down …' : `Filling setup ${at + 1} of ${setups} …`
