import { GLOSSARY } from '@exemplar/core'
import { useState } from 'react'

/** Every term of art with its one line. */
export function WordsPage() {
  const [text, setText] = useState('')
  const wanted = text.trim().toLowerCase()
  const rows = Object.entries(GLOSSARY)
    .filter(([term, meaning]) => `${term} ${meaning}`.toLowerCase().includes(wanted))
    .sort(([a], [b]) => a.localeCompare(b))
  return (
    <section className="mt-5 max-w-[80ch]" aria-label="Glossary">
      <p className="mb-3 text-[13px] text-quiet">
        Dotted words on any page open their line. Under your name you choose whether findings come in figures or plain
        words.
      </p>
      <input
        type="search"
        aria-label="Find a word"
        placeholder="Find a word"
        value={text}
        onChange={(event) => setText(event.target.value)}
        className="mb-2 h-8 w-60 border-b border-rule-strong bg-transparent px-1 text-[13px] placeholder:text-quiet"
      />
      <dl>
        {rows.map(([term, meaning]) => (
          <div key={term} className="grid border-b border-rule py-2 md:grid-cols-[180px_1fr]">
            <dt className="font-semibold">{term}</dt>
            <dd className="text-quiet">{meaning}</dd>
          </div>
        ))}
      </dl>
      {rows.length === 0 && <p className="py-3 text-quiet">No such word here.</p>}
    </section>
  )
}
