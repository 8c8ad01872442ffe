import type { OpenFault, Severity } from '../../../kit/unit/fault.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { listRiders } from '../rigging/worn-supports.ts'
import type { Scene } from '../scene.ts'
import { listMicrophones } from '../sound/noise-near.ts'

interface OpenFaultFound {
  code: 'fault-open'
  itemKey: string
  tag: string
  name: string
  faultId: string
  note: string
  severity: Severity
  /** The how manyeth within a year. */
  times: number
  workAround: string
}

/** What takes a thing out is its absence, and what only looks bad stops nobody. */
const LEVELS: Readonly<Record<Severity, FindingLevel | null>> = {
  unusable: null,
  usable: 'warn',
  symptom: 'warn',
  nuisance: 'advise',
  cosmetic: null,
}

/** What sags under a load, and what hums beside a microphone, has a finding of its own. */
const isToldElsewhere = ({ fails, isNoisy }: OpenFault, item: PlacedItem, scene: Scene) =>
  (fails === 'load' && listRiders(item, scene).length > 0) ||
  (isNoisy && !isItemOf(item, 'microphone') && listMicrophones(scene).length > 0)

const ORDINALS = ['', '', 'second', 'third', 'fourth', 'fifth', 'sixth']

/** What is wrong with things that work on: who plans with them is told, with how to get along. */
export const openFaults = defineCheck<OpenFaultFound>({
  find: (scene) =>
    scene.items.flatMap((item) =>
      (scene.faults?.get(item.unit?.id ?? '') ?? []).flatMap((fault): Found<OpenFaultFound>[] => {
        const level = LEVELS[fault.severity]
        if (level === null || isToldElsewhere(fault, item, scene)) return []
        const { id, note, severity, workAround, timesInYear } = fault
        return [
          {
            ...ofItem(item),
            about: [item.key, id],
            level,
            code: 'fault-open',
            itemKey: item.key,
            faultId: id,
            note,
            severity,
            times: timesInYear,
            workAround,
          },
        ]
      }),
    ),
  codes: {
    'fault-open': {
      say: ({ tag, name, note, severity, times, workAround }) => {
        const again = times > 1 ? ` It is the ${ORDINALS[times] ?? `${times}th`} time within a year.` : ''
        const along = workAround ? ` You get along with it by: ${workAround}.` : ''
        const then =
          severity === 'symptom'
            ? 'It works, and is expected to fail: have another at hand.'
            : 'It works on: plan for it, mend it before, or take another.'
        return plain(`${tag}: ${note}`, `Reported of ${name}. ${then}${along}${again}`)
      },
      deciding: ({ faultId, severity }) => [faultId, severity],
      ideas: ({ itemKey }, context) => listStandInsFor([itemKey], context),
      replaceable: ({ itemKey }) => [itemKey],
    },
  },
})
