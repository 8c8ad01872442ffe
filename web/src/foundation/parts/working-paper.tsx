import type { WorkingWords } from '@exemplar/core'

/** "How this was worked out": the formula with its numbers, on squared paper. */
export function WorkingPaper({ words, isInline = false }: { words: WorkingWords; isInline?: boolean }) {
  return (
    <details className={`group ${isInline ? 'inline-block open:block' : ''}`}>
      <summary className="w-fit list-none text-[12px] text-quiet underline decoration-rule-strong underline-offset-[3px]">
        How this was worked out
      </summary>
      <div className="squared mt-2 overflow-x-auto px-3 py-2.5">
        <table className="w-auto font-mono text-[12px] leading-5">
          <caption className="sr-only">{words.title}</caption>
          <tbody>
            {words.lines.map((line) => (
              <tr key={line.label + line.sum}>
                <th
                  scope="row"
                  className="border-0 py-0 pr-4 font-mono text-[12px] font-normal whitespace-nowrap text-ink"
                >
                  {line.label}
                </th>
                <td className="border-0 py-0 pr-0">{line.sum}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <ul className="mt-2 text-[12px] leading-snug text-quiet">
          {words.assumptions.map((text) => (
            <li key={text}>{text}</li>
          ))}
          <li>Source: {words.source}</li>
        </ul>
      </div>
    </details>
  )
}
