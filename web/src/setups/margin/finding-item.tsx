import {
  canAccept,
  canHelp,
  type Finding,
  findQuestion,
  type NeededFact,
  type Remedy,
  sayFinding,
  sayPlainly,
  wantsEnd,
} from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useSetupQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Gauge } from '../../foundation/parts/gauge.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Worded } from '../../foundation/parts/worded.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useWording } from '../../foundation/words/wording.ts'
import { FactQuestion } from '../../kit/model/fact-question.tsx'
import { AcceptFinding } from './accepted-findings.tsx'
import { Remedies } from './remedies.tsx'

/** For which setup findings are shown, and what whoever looks may do about them; null for who only looks. */
export interface FindingDeeds {
  setupId: string
  bookingId: string | undefined
  isBusy: boolean
  onRemedy: ((remedy: Remedy, reason: string, roleId: string | null) => void) | null
  onAccept: ((finding: Finding, reason: string | null, until?: string | null) => void) | null
}

/** One finding with its figure, its working, and what can be done about it. */
export function FindingItem({
  finding,
  isFirst,
  deeds,
  working,
}: {
  finding: Finding
  /** The worst that something can be done about: its ways out are looked for at once. */
  isFirst: boolean
  deeds: FindingDeeds
  working: React.ReactNode
}) {
  const isPlain = useWording() === 'plain'
  const words = useTimeWords()
  const { title, text, gauge } = sayFinding(finding, words)
  return (
    <li className="border-t border-rule py-2.5">
      <h3 className="flex items-baseline gap-2">
        <span className="relative top-px">
          <Mark level={finding.level} />
        </span>
        <span>
          <Worded>{title}</Worded>
        </span>
      </h3>
      <div className="ml-5">
        {gauge && !isPlain && <Gauge {...gauge} tone={finding.level === 'stop' ? 'stop' : 'warn'} />}
        <p className="mb-1.5 text-[13px] leading-snug text-quiet">
          <Worded>{isPlain ? sayPlainly(finding, text) : text}</Worded>
        </p>
        <FindingDeed finding={finding} title={title} isFirst={isFirst} deeds={deeds} />
        {working && <div className="mt-2">{working}</div>}
      </div>
    </li>
  )
}

/** A question about a model that stands in the setup. */
function SetupQuestion({ setupId, modelId, fact }: { setupId: string; modelId: string; fact: NeededFact }) {
  const { data: setup } = useSetupQuery(setupId)
  const model = setup?.models.find((it) => it.id === modelId)
  return model ? <FactQuestion model={model} fact={fact} /> : null
}

function FindingDeed({
  finding,
  title,
  isFirst,
  deeds,
}: {
  finding: Finding
  title: string
  isFirst: boolean
  deeds: FindingDeeds
}) {
  const [isOpened, setOpened] = useState(false)
  const isOpen = isFirst || isOpened
  const { setupId, bookingId, isBusy, onRemedy, onAccept } = deeds
  const unit = finding.code === 'thing-absent' ? finding.unitId : null
  const asked = findQuestion(finding)
  const canAnswer = useMay()('change-kit')
  return (
    <>
      {asked && canAnswer && <SetupQuestion setupId={setupId} {...asked} />}
      {isOpen && canHelp(finding) && (
        <Remedies
          setupId={setupId}
          bookingId={bookingId}
          finding={finding}
          title={title}
          isBusy={isBusy}
          onRemedy={onRemedy}
        />
      )}
      <div className="flex flex-wrap gap-1.5">
        {!isOpen && canHelp(finding) && (
          <Button size="small" aria-label={`Ways out: ${title}`} onClick={() => setOpened(true)}>
            Ways out
          </Button>
        )}
        {unit && (
          <Link to={`/kit/${unit}`} className="self-center text-[12px] text-quiet underline underline-offset-[3px]">
            Look at it
          </Link>
        )}
        {onAccept && canAccept(finding) && (
          <AcceptFinding
            title={title}
            isStop={wantsEnd(finding)}
            isBusy={isBusy}
            onAccept={(reason, until) => onAccept(finding, reason, until)}
          />
        )}
      </div>
    </>
  )
}
