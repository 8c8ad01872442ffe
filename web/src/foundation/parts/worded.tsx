import { explainTerms } from '@exemplar/core'
import { Popover } from 'radix-ui'

/** A sentence in which every term of art opens its one-line explanation, by pointer and by keyboard. */
export function Worded({ children }: { children: string }) {
  return explainTerms(children).map(({ text, meaning }, index) =>
    meaning === null ? (
      text
    ) : (
      // biome-ignore lint/suspicious/noArrayIndexKey: the pieces of a sentence have no other name
      <Term key={index} text={text} meaning={meaning} />
    ),
  )
}

function Term({ text, meaning }: { text: string; meaning: string }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        type="button"
        aria-label={`${text}: what is that?`}
        className="cursor-help underline decoration-dotted decoration-1 underline-offset-[3px]"
      >
        {text}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={4}
          collisionPadding={12}
          className="z-60 max-w-72 border border-rule-strong bg-sheet px-3 py-2 text-[13px] leading-snug text-ink"
        >
          <b className="font-semibold">{text}</b>: {meaning}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
