import { FIGURE_WORDS, type FigureCode, type Overrides, resolvePolicies, type SetupReply } from '@exemplar/core'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { OverridesFields } from '../../studio/policy/overrides-fields.tsx'

/** What this setup does differently from its purpose and its studio. */
export function OwnPolicies({ setup, onSave }: { setup: SetupReply; onSave(overrides: Overrides): unknown }) {
  const { data: studio } = useStudioQuery()
  if (!studio) return null
  const usual = resolvePolicies(studio, setup.purposeKind)
  return (
    <details className="mt-4 border-t border-rule pt-3">
      <summary className="text-[13px] font-semibold">Policies of its own</summary>
      <div className="mt-3">
        <OverridesFields
          overrides={setup.overrides}
          usual={(code: FigureCode) => `${usual.figure(code).value} ${FIGURE_WORDS[code].unit}`.trim()}
          onChange={onSave}
        />
      </div>
    </details>
  )
}
