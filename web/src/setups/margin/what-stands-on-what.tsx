import { addCableRun, type CableRun, type SupportChoice } from '@exemplar/core'
import { useState } from 'react'
import { SelectField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { useSupportsQuery } from '../rig-api.ts'

/** What somebody may do about the joints of a setup; null for who only looks. */
export type OnJoin = ((links: CableRun[], told: string) => void) | null

type End = SupportChoice['could'][number]

const nameEnd = ({ key, portId }: Pick<End, 'key' | 'portId'>) => `${key}/${portId}`

/** One joint as it is kept: two ends with nothing between. */
function makeJoint({ rider }: SupportChoice, host: Pick<End, 'key' | 'portId'>): CableRun {
  const end = ({ key, portId }: Pick<End, 'key' | 'portId'>) => ({ unitId: key, portId })
  return { from: end(rider), via: [], to: end(host), neededMm: null }
}

const isOf = ({ rider }: SupportChoice, { from, to, via }: CableRun) =>
  via.length === 0 && [from, to].some((it) => it.unitId === rider.key && it.portId === rider.portId)

/**
 * What stands on what, as it is assumed or as somebody said: each is accepted with one push, or put on something else. Folded,
 * as what is assumed is mostly right.
 */
export function WhatStandsOnWhat({
  setupId,
  bookingId,
  links,
  onJoin,
}: {
  setupId: string
  bookingId: string | undefined
  links: readonly CableRun[]
  onJoin: OnJoin
}) {
  const [isOpen, setIsOpen] = useState(false)
  const asked = { id: setupId, ...(bookingId ? { bookingId } : {}) }
  const { data: choices = [], isLoading } = useSupportsQuery(asked, { skip: !isOpen })
  const assumed = choices.filter((it) => it.standing === 'assumed')
  const counts = new Map(
    choices.flatMap(({ on, could }) => [...(on ? [on] : []), ...could].map((it) => [nameEnd(it), it.count])),
  )
  const countEnd = ({ unitId, portId }: CableRun['from']) => counts.get(`${unitId}/${portId}`) ?? 1
  const state = (choice: SupportChoice, host: Pick<End, 'key' | 'portId'>, told: string) =>
    onJoin?.(
      addCableRun(
        links.filter((it) => !isOf(choice, it)),
        makeJoint(choice, host),
        countEnd,
      ),
      told,
    )
  const stateAll = () =>
    onJoin?.(
      assumed.reduce<CableRun[]>(
        (all, choice) => (choice.on ? addCableRun(all, makeJoint(choice, choice.on), countEnd) : all),
        [...links],
      ),
      'All of it is as somebody said now.',
    )
  const letGo = (choice: SupportChoice) =>
    onJoin?.(
      links.filter((it) => !isOf(choice, it)),
      `What ${choice.rider.tag} stands on is open again.`,
    )
  return (
    <details
      className="border-t border-rule py-2"
      open={isOpen}
      onToggle={(event) => setIsOpen(event.currentTarget.open)}
    >
      <summary className="text-[13px] font-semibold">What stands on what</summary>
      {isOpen && isLoading && <p className="text-[13px] text-quiet">Looking …</p>}
      {choices.length > 0 && (
        <p className="mt-1 text-[12px] text-quiet">
          {assumed.length === 0
            ? 'All of it is as somebody said.'
            : `${assumed.length} of ${choices.length} assumed: what is likeliest, until somebody says so.`}
        </p>
      )}
      {isOpen && !isLoading && choices.length === 0 && (
        <p className="text-[13px] text-quiet">Nothing in it stands on anything.</p>
      )}
      <ul className="mt-1">
        {choices.map((choice) => (
          <SupportRow
            key={nameEnd(choice.rider)}
            choice={choice}
            onState={onJoin && ((host, told) => state(choice, host, told))}
            onLetGo={onJoin && (() => letGo(choice))}
          />
        ))}
      </ul>
      {onJoin && assumed.length > 1 && (
        <Button size="small" className="mt-1.5" onClick={stateAll}>
          All of it is so
        </Button>
      )}
    </details>
  )
}

function SupportRow({
  choice,
  onState,
  onLetGo,
}: {
  choice: SupportChoice
  onState: ((host: Pick<End, 'key' | 'portId'>, told: string) => void) | null
  onLetGo: (() => void) | null
}) {
  const { rider, on, standing, reasons, could } = choice
  const [isChanging, setIsChanging] = useState(false)
  const others = could.filter((it) => !on || nameEnd(it) !== nameEnd(on))
  return (
    <li className="py-1 text-[13px]">
      <span className="flex flex-wrap items-center gap-x-1.5 gap-y-1">
        <b className="font-mono font-medium" title={rider.name}>
          {rider.tag}
        </b>
        {on ? (
          <>
            <span className="text-quiet">on</span>
            <b className="font-mono font-medium" title={on.name}>
              {on.tag}
            </b>
          </>
        ) : (
          <Mark level="unknown">on nothing</Mark>
        )}
        {standing === 'assumed' && (
          <span className="border-b border-dashed border-rule-strong text-quiet">assumed</span>
        )}
        {on && standing === 'assumed' && onState && (
          <Button
            size="small"
            aria-label={`${rider.tag} is on ${on.tag}: that is so`}
            onClick={() => onState(on, `${rider.tag} stands on ${on.tag}.`)}
          >
            That is so
          </Button>
        )}
        {standing === 'stated' && onLetGo && (
          <Button size="small" aria-label={`Let ${rider.tag} on ${on?.tag} go`} onClick={onLetGo}>
            Let go
          </Button>
        )}
        {others.length > 0 && onState && (
          <Button
            size="small"
            aria-expanded={isChanging}
            aria-label={`Put ${rider.tag} on something else`}
            onClick={() => setIsChanging(!isChanging)}
          >
            Elsewhere
          </Button>
        )}
      </span>
      {reasons.length > 0 && <span className="block text-[12px] text-quiet">{reasons.join(' ')}</span>}
      {isChanging && onState && (
        <SelectField
          label={`What ${rider.tag} stands on`}
          value=""
          onChange={(event) => {
            const host = others.find((it) => nameEnd(it) === event.target.value)
            if (!host) return
            setIsChanging(false)
            onState(host, `${rider.tag} stands on ${host.tag}.`)
          }}
        >
          <option value="">Choose</option>
          {others.map((it) => (
            <option key={nameEnd(it)} value={nameEnd(it)}>
              {sayEnd(it)}
            </option>
          ))}
        </SelectField>
      )}
    </li>
  )
}

function sayEnd({ tag, name, heldBy, isTooWeak }: End): string {
  const notes = [heldBy && `${heldBy} is there now`, isTooWeak && 'bears less than that'].filter(Boolean)
  return `${tag} ${name}${notes.length > 0 ? ` (${notes.join(', ')})` : ''}`
}
