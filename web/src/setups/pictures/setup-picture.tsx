import {
  type CableRun,
  NOT_IN_USE,
  type PictureKind,
  type PictureNode,
  type Readiness,
  type ReplyOf,
  restateJoint,
  type SetupReply,
  sayVerdict,
} from '@exemplar/core'
import { useState } from 'react'
import { onlyData } from '../../foundation/api/only-data.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellTrouble } from '../../foundation/api/toasts.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Empty, Waiting } from '../../foundation/parts/page-parts.tsx'
import { askJoints, usePictureChangesQuery, usePicturesQuery } from '../pictures-api.ts'
import { ComparedWith, type Other, sayGone } from './compared-with.tsx'
import { countEndIn, findDrop } from './end-choices.ts'
import { JointSheet, type OnRestate } from './joint-sheet.tsx'
import { type Dragged, PictureView, sayAssumed } from './picture-view.tsx'
import { ShutDown } from './shut-down.tsx'
import { ThingWorkings } from './thing-workings.tsx'

const ONLY_PICTURES = { selectFromResult: onlyData<ReplyOf<'get /setups/:id/pictures'>>() }

/** One of the pictures of a setup with all that may be done in it. */
export function SetupPicture({
  kind,
  setupId,
  bookingId,
  next,
  readiness,
  isBeside,
  links,
  onJoin,
}: {
  kind: PictureKind
  setupId: string
  bookingId: string | undefined
  next: SetupReply['next']
  readiness: Readiness
  /** The margin stands beside it, where there is room. */
  isBeside: boolean
  links: readonly CableRun[]
  /** Saves what is stated; null for who only looks. */
  onJoin: ((links: CableRun[], told: string) => void) | null
}) {
  const { data, error, refetch } = usePicturesQuery({ id: setupId, bookingId }, ONLY_PICTURES)
  const [opened, setOpened] = useState<string | null>(null)
  const [dragged, setDragged] = useState<Dragged | null>(null)
  const [other, setOther] = useState<Other | null>(null)
  const compared = usePictureChangesQuery(
    { id: setupId, bookingId, otherId: other?.setupId ?? '', otherBookingId: other?.bookingId },
    { skip: other === null },
  )
  const dispatch = useAppDispatch()
  if (!data) return <Waiting what="the picture" error={error} onRetry={refetch} />

  const picture = data[kind]
  const nodes = picture.groups.flatMap((it) => it.nodes)
  const rootOf = new Map(picture.groups.flatMap(({ root, nodes: own }) => own.map((it) => [it.key, root] as const)))
  const change = other && compared.currentData ? compared.currentData[kind] : null
  const restate: OnRestate =
    onJoin && ((it, countEnd, told) => onJoin(restateJoint(links, readiness.joints, it, countEnd), told))
  const assumed = picture.groups.flatMap((it) => it.joints).filter((it) => !it.isStated)
  const acceptAll = () => {
    // A joint that is assumed has taken nobody's place.
    const stated = assumed.reduce<CableRun[]>(
      (all, it) => restateJoint(all, readiness.joints, { was: it, next: it }, () => Number.POSITIVE_INFINITY),
      [...links],
    )
    onJoin?.(
      stated,
      assumed.length === 1 ? 'The joint is as stated now.' : `${assumed.length} joints are as stated now.`,
    )
  }
  const askFor = (key: string) => dispatch(askJoints({ id: setupId, bookingId, key })).unwrap()
  const start = (key: string) => {
    setDragged({ key, choices: null })
    askFor(key)
      .then((choices) => setDragged((now) => (now?.key === key ? { key, choices } : now)))
      .catch(() => setDragged(null))
  }
  const drop = async (key: string, onto: string | null) => {
    setDragged(null)
    if (!onto || onto === key || !restate) return
    const choices = await askFor(key).catch(() => null)
    if (!choices) return
    const found = findDrop(choices, kind, onto)
    if (typeof found === 'string') dispatch(tellTrouble(found))
    else restate(found.change, countEndIn(choices), found.told)
  }
  const node: PictureNode | undefined = nodes.find((it) => it.key === opened)
  return (
    <section aria-label={sayAssumed(picture)}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2.5">
        <p className={`w-full font-bold ${isBeside ? 'lg:hidden' : ''}`}>{sayVerdict(readiness, true)}</p>
        <p className="text-[13px] text-quiet">{sayAssumed(picture)}</p>
        <div className="no-print flex flex-wrap items-center gap-2 md:ml-auto">
          <ComparedWith setupId={setupId} bookingId={bookingId} next={next} other={other} onChange={setOther} />
          {onJoin && assumed.length > 0 && (
            <Button size="small" onClick={acceptAll}>
              {assumed.length === 1 ? 'Accept it' : `Accept all ${assumed.length}`}
            </Button>
          )}
        </div>
      </div>
      {change && <p className="mb-2 text-[13px] text-quiet">{sayGone(change)}</p>}
      {nodes.length === 0 ? (
        <Empty title="Nothing to see here yet">What is put into its roles is drawn here, with what joins it.</Empty>
      ) : (
        <PictureView
          picture={picture}
          change={change}
          dragged={dragged}
          onOpen={(it) => setOpened(it.key)}
          onDrag={onJoin ? { start, drop } : null}
        />
      )}
      {onJoin && nodes.length > 1 && (
        <p className="no-print hidden text-[12px] text-quiet md:block">
          Drag a thing onto what it goes on, or press it for all that it joins. What could not take it is struck through
          meanwhile.
        </p>
      )}
      {kind === 'power' && <ShutDown power={picture} />}
      {node && (
        <JointSheet
          key={node.key}
          setupId={setupId}
          bookingId={bookingId}
          picture={picture}
          node={node}
          why={NOT_IN_USE[rootOf.get(node.key) ?? 'floor'] ?? null}
          workings={<ThingWorkings readiness={readiness} node={node} />}
          onRestate={restate}
          onClose={() => setOpened(null)}
        />
      )}
    </section>
  )
}
