import {
  type EndChoice,
  findSwitchedOff,
  type JointChange,
  type JointChoices,
  type Picture,
  type PictureKind,
  type PictureNode,
  sayNodeFigure,
} from '@exemplar/core'
import { type ReactNode, useState } from 'react'
import { ComboField } from '../../foundation/form/combo-field.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Loading, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useJointsQuery } from '../pictures-api.ts'
import { countEndIn, describeEndChoice, findJoints } from './end-choices.ts'

/** States a joint, changes it or lets it go; `told` says so in a note. Null for who only looks. */
export type OnRestate = ((change: JointChange, countEnd: ReturnType<typeof countEndIn>, told: string) => void) | null

/** All that one thing of a picture joins, with what else could be there and why the rest could not. */
export function JointSheet({
  setupId,
  bookingId,
  picture,
  node,
  why,
  workings,
  onRestate,
  onClose,
}: {
  setupId: string
  bookingId: string | undefined
  picture: Picture
  node: PictureNode
  /** Why it joins nothing now; null for what is there and in use. */
  why: string | null
  workings: ReactNode
  onRestate: OnRestate
  onClose(): void
}) {
  const { system } = useTimeWords()
  const { currentData, error, refetch } = useJointsQuery(
    { id: setupId, bookingId, key: node.key },
    { skip: why !== null },
  )
  const own = currentData?.ends.filter((it) => it.picture === picture.kind) ?? []
  const unitId = /^(stock|circuit|bar):|^people$/.test(node.key) ? null : node.key
  return (
    <SheetDialog
      open
      onClose={onClose}
      title={`${node.keys.length > 1 ? `${node.keys.length} × ` : ''}${node.tag} ${node.name}`}
      description={node.figures.map((it) => sayNodeFigure(it, system)).join('; ')}
    >
      {why && <p className="text-[13px]">{why}</p>}
      {why === null &&
        !currentData &&
        (error ? <Waiting what="its joints" error={error} onRetry={refetch} /> : <Loading what="its joints" />)}
      {node.keys.length > 1 && (
        <p className="mb-2 text-[13px] text-quiet">
          {node.keys.length} alike pieces are drawn as one. What is changed here is changed of the first of them.
        </p>
      )}
      {currentData && own.length === 0 && <p className="text-quiet">It has no ends of this kind.</p>}
      <ul className="grid gap-3">
        {currentData &&
          own.map((end) => <EndRow key={end.end.portId} end={end} choices={currentData} onRestate={onRestate} />)}
      </ul>
      {picture.kind === 'power' && <SwitchedOffHere power={picture} node={node} />}
      {workings}
      {currentData && <Cannot choices={currentData} kind={picture.kind} />}
      {unitId && (
        <p className="mt-4 border-t border-rule pt-3 text-[13px]">
          <ButtonLink size="small" to={`/kit/${unitId}`}>
            Page of {node.tag}
          </ButtonLink>
        </p>
      )}
    </SheetDialog>
  )
}

function EndRow({ end, choices, onRestate }: { end: EndChoice; choices: JointChoices; onRestate: OnRestate }) {
  const { tag } = choices
  const [moving, setMoving] = useState<string | null>(null)
  const countEnd = countEndIn(choices)
  const restate = onRestate && ((change: JointChange, told: string) => onRestate(change, countEnd, told))
  const isFull = end.joined.length >= end.end.count
  return (
    <li>
      <h3 className="text-[13px]">{end.label}</h3>
      {end.joined.length === 0 && (
        <p className="text-[13px]">
          {end.isNeeded ? <Mark level="unknown">open</Mark> : <span className="text-quiet">free</span>}
        </p>
      )}
      {findJoints(end).map(({ joint, other }) => (
        <div key={`${other.key}/${other.portId}`} className="py-1 text-[13px]">
          <span className="flex flex-wrap items-center gap-x-2 gap-y-1">
            <span>
              <b className="font-mono font-medium">{other.tag}</b> {other.name}
            </span>
            <span
              className={
                other.standing === 'assumed' ? 'border-b border-dashed border-rule-strong text-quiet' : 'text-quiet'
              }
            >
              {other.standing === 'assumed' ? 'assumed' : 'as stated'}
            </span>
            {restate && other.standing === 'assumed' && (
              <Button
                size="small"
                aria-label={`${tag} and ${other.tag}: that is so`}
                onClick={() => restate({ was: joint, next: joint }, `${tag} and ${other.tag}: as stated now.`)}
              >
                That is so
              </Button>
            )}
            {restate && other.standing === 'stated' && (
              <Button
                size="small"
                aria-label={`Let ${tag} and ${other.tag} go`}
                onClick={() => restate({ was: joint, next: null }, `${tag} and ${other.tag}: open again.`)}
              >
                Let go
              </Button>
            )}
            {restate && end.could.length > 0 && (
              <Button
                size="small"
                aria-expanded={moving === other.key}
                aria-label={`Put something else than ${other.tag} there`}
                onClick={() => setMoving(moving === other.key ? null : other.key)}
              >
                Elsewhere
              </Button>
            )}
          </span>
          {other.reasons.length > 0 && <span className="block text-[12px] text-quiet">{other.reasons.join(' ')}</span>}
          {moving === other.key && restate && (
            <EndField
              label={`Instead of ${other.tag}`}
              end={end}
              onChoose={(next, told) => {
                setMoving(null)
                restate({ was: joint, next }, told)
              }}
            />
          )}
        </div>
      ))}
      {restate && !isFull && end.could.length > 0 && (
        <EndField
          label={end.joined.length > 0 ? 'Another there' : 'Put there'}
          end={end}
          onChoose={(next, told) => restate({ was: null, next }, told)}
        />
      )}
    </li>
  )
}

function EndField({
  label,
  end,
  onChoose,
}: {
  label: string
  end: EndChoice
  onChoose(next: NonNullable<JointChange['next']>, told: string): void
}) {
  const described = end.could.map((it) => describeEndChoice(end, it))
  return (
    <ComboField
      label={label}
      value=""
      placeholder="Type a tag or a name"
      choices={described.map(({ value, label: text }) => ({ value, label: text }))}
      onChange={(value) => {
        const chosen = described.find((it) => it.value === value)
        if (chosen) onChoose(chosen.joint, chosen.told)
      }}
    />
  )
}

/** What one switch kills and what not. */
function SwitchedOffHere({ power, node }: { power: Picture; node: PictureNode }) {
  const { goesOff, goesOn } = findSwitchedOff(power, node.key)
  if (goesOff.length === 0) return null
  const tagOf = new Map(power.groups.flatMap(({ nodes }) => nodes.map((it) => [it.key, it.tag] as const)))
  const say = (keys: readonly string[]) => keys.map((it) => tagOf.get(it) ?? it).join(', ')
  return (
    <section className="mt-4 border-t border-rule pt-3 text-[13px]">
      <h3>Switched off or unplugged here</h3>
      <p>
        Goes off: <b className="font-mono font-medium">{say(goesOff)}</b>
      </p>
      <p className="text-quiet">
        {goesOn.length > 0 ? `Goes on: ${say(goesOn)}` : 'Nothing else of the setup draws power.'}
      </p>
    </section>
  )
}

/** What could not be joined to it, each with its reason; folded, as it is long. */
function Cannot({ choices, kind }: { choices: JointChoices; kind: PictureKind }) {
  const cannot = choices.cannot.filter((it) => it.picture === kind)
  if (cannot.length === 0) return null
  return (
    <details className="mt-4 border-t border-rule pt-3 text-[13px]">
      <summary className="font-semibold">What could not be joined to it ({cannot.length})</summary>
      <ul className="mt-1 grid gap-1">
        {cannot.map(({ key, why }) => (
          <li key={key} className="text-quiet">
            {why}
          </li>
        ))}
      </ul>
    </details>
  )
}
