import { CATEGORIES, NEEDED_FACTS, type ReplyOf, sayNumber } from '@exemplar/core'
import { useMay } from '../../foundation/api/session.ts'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useModelQuestionsQuery } from '../kit-api.ts'
import { FactQuestion } from './fact-question.tsx'
import { OnlyHeard } from './only-heard.tsx'

type ModelQuestion = ReplyOf<'get /models/questions'>[number]

/** By kind, so that one walk along one shelf answers one table. */
function groupByKind(questions: readonly ModelQuestion[]): [label: string, ModelQuestion[]][] {
  const groups = new Map<string, ModelQuestion[]>()
  for (const it of questions) {
    const { label } = CATEGORIES[it.category]
    groups.set(label, [...(groups.get(label) ?? []), it])
  }
  return [...groups].sort(([a], [b]) => (a < b ? -1 : 1))
}

/** All that nobody recorded of the kit and that judging cannot do without, answered where it stands. */
export function QuestionsPage() {
  const { data, error, refetch } = useModelQuestionsQuery()
  const canAnswer = useMay()('change-kit')
  if (!data) return <Waiting what="the questions" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Open questions" aside={data.length === 1 ? '1 of them' : `${data.length} of them`} />
      <div className="max-w-3xl px-4 pt-2 pb-6 md:px-5">
        {data.length === 0 && (
          <Mark level="ok">Of everything in the kit is recorded what judging a setup cannot do without.</Mark>
        )}
        <OnlyHeard />
        {groupByKind(data).map(([label, questions]) => (
          <section key={label} aria-label={label} className="mb-5">
            <h2 className="mt-3.5 mb-0.5 text-[12px]">{label}</h2>
            <table>
              <thead className="sr-only">
                <tr>
                  <th scope="col">Model</th>
                  <th scope="col">Question</th>
                </tr>
              </thead>
              <tbody>
                {questions.map((it) => (
                  <tr key={`${it.id}/${it.fact}`}>
                    <td className="w-2/5 align-top">
                      <span className="font-medium">{it.name}</span>
                      <span className="block text-[12px] text-quiet">{sayNumber(it.things, 'thing')}</span>
                    </td>
                    <td>{canAnswer ? <FactQuestion model={it} fact={it.fact} /> : NEEDED_FACTS[it.fact].question}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        ))}
      </div>
    </>
  )
}
