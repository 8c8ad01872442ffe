import {
  type Category,
  FEATURES,
  type Finding,
  nameModel,
  type Readiness,
  type Role,
  type SetupReply,
  sayFinding,
} from '@exemplar/core'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { LEVEL_TONES, Mark } from '../../foundation/parts/mark.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { ThingPicture } from '../../foundation/parts/thing-picture.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'

interface Shown {
  key: string
  unitId: string | null
  category: Category
  tag: string
  name: string
  isSpare: boolean
}

function listShown(role: Role, setup: SetupReply): Shown[] {
  return role.things.flatMap((thing): Shown[] => {
    const unit = setup.units.find((it) => it.id === thing.unitId)
    const stock = setup.stock.find((it) => it.id === thing.stockId)
    const model = setup.models.find((it) => it.id === (unit ?? stock)?.modelId)
    if (!model) return []
    const mode = model.powerModes.length > 1 ? model.powerModes.find((it) => it.id === thing.powerModeId) : undefined
    const name = `${thing.quantity > 1 ? `${thing.quantity} × ` : ''}${nameModel(model)}${mode ? `, ${mode.label.toLowerCase()}` : ''}${thing.isSpare ? ' (in case)' : ''}`
    return [
      {
        key: thing.unitId ?? thing.stockId ?? '',
        unitId: thing.unitId,
        category: model.category,
        tag: unit?.tag ?? stock?.tag ?? '',
        name,
        isSpare: thing.isSpare,
      },
    ]
  })
}

/** Things of other roles that carry or feed this one: the stand, the packs, the strip. */
function listFeeders(role: Role, readiness: Readiness): string[] {
  const own = new Set(role.things.flatMap((thing) => thing.unitId ?? []))
  const feeders = readiness.joints.flatMap(({ host, guest }) => {
    if (own.has(host.key) && !own.has(guest.key)) return [guest.tag]
    if (own.has(guest.key) && !own.has(host.key)) return [host.tag]
    return []
  })
  return [...new Set(feeders)].sort()
}

/** What fills a role that has no thing of its own. */
function sayEmpty({ providedBy, intentionallyEmpty }: Role, { roles }: SetupReply): string {
  if (providedBy?.kind === 'surface') return `done by: ${providedBy.name}`
  if (providedBy?.kind === 'feature') {
    const other = roles.find((it) => it.id === providedBy.roleId)?.name ?? 'another role'
    return `done by ${other}: ${FEATURES[providedBy.feature].label.toLowerCase()}`
  }
  return intentionallyEmpty ? 'left empty on purpose' : 'nothing yet'
}

/** One row of the board: role, the thing on it, what feeds it, and the worst that is found. */
export function RoleRow({
  role,
  setup,
  readiness,
  onOpen,
}: {
  role: Role
  setup: SetupReply
  readiness: Readiness | undefined
  /** Absent for who only looks. */
  onOpen?: () => void
}) {
  const words = useTimeWords()
  const { sayLength } = useMeasures()
  const all = listShown(role, setup)
  // What is there in case stands under it, and is never what fills it.
  const main = all.find((it) => !it.isSpare)
  const rest = all.filter((it) => it !== main)
  const findings: Finding[] = readiness?.findings.filter((it) => it.roleId === role.id) ?? []
  const level = readiness?.roles.find((it) => it.roleId === role.id)?.level ?? 'ok'
  const frameMm = readiness?.cameras.find((it) => it.roleId === role.id)?.frameWidthMm
  const feeders = readiness ? listFeeders(role, readiness) : []
  return (
    <li className="border-t border-rule">
      <button
        type="button"
        onClick={onOpen}
        disabled={!onOpen}
        className="grid min-h-[44px] w-full grid-cols-[minmax(96px,128px)_1fr_24px] items-center gap-3 py-1.5 text-left enabled:hover:bg-wash"
      >
        <span>
          <span className="block text-[13px] font-semibold">{role.name}</span>
          <span className="block text-[12px] leading-tight text-quiet">{role.detail}</span>
        </span>
        <span className="min-w-0">
          {main ? (
            <span className="flex items-center gap-2">
              <ThingPicture
                id={main.unitId}
                category={main.category}
                photo={setup.photos[main.unitId ?? ''] ?? null}
                className="size-7"
              />
              <span className="min-w-0">
                <Tag>{main.tag}</Tag> <span className="ml-1">{main.name}</span>
              </span>
            </span>
          ) : (
            <span className="text-quiet">{sayEmpty(role, setup)}</span>
          )}
          <span className="flex flex-wrap gap-x-3 text-[12px] text-quiet">
            {rest.map((it) => (
              <span key={it.key}>
                <b className="font-mono font-medium text-ink">{it.tag}</b> {it.name}
              </span>
            ))}
            {feeders.length > 0 && <span>with {feeders.join(', ')}</span>}
            {frameMm != null && <span>frames {sayLength(Math.round(frameMm))} across</span>}
            {findings.slice(0, 2).map((finding) => (
              <b key={finding.key} className={`font-semibold ${LEVEL_TONES[finding.level]}`}>
                {sayFinding(finding, words).title}
              </b>
            ))}
          </span>
        </span>
        <span>{(main || level !== 'ok' || role.intentionallyEmpty || role.providedBy) && <Mark level={level} />}</span>
      </button>
    </li>
  )
}
