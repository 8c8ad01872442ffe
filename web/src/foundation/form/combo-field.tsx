import { useCombobox } from 'downshift'
import { useId, useMemo, useRef, useState } from 'react'
import { Frame, INPUT_BOX } from './field.tsx'
import { readRecent, rememberRecent } from './recent-choices.ts'

export interface Choice {
  value: string
  label: string
  /** What it is beside its name, such as the group that it is of. */
  aside?: string
  /** Other words by which people look for it. */
  words?: readonly string[]
}

interface ComboProps {
  label: string
  value: string
  choices: readonly Choice[]
  onChange(value: string): void
  /** Makes what is missing of the list, under the text that was typed. */
  onMake?(text: string): Promise<string | null>
  /** What making it is called: `mount`, `place`. */
  makes?: string
  /** Under which name what was chosen last is kept, to come first the next time. */
  recent?: string
  placeholder?: string
  hint?: string
  problem?: string
  isLabelHidden?: boolean
  autoFocus?: boolean
}

/** Stands in the list for what is to be made. */
const MAKE = '\u0000make'

/** A choice out of many, found by typing: what was chosen last comes first, and what is missing can be made here. */
export function ComboField(props: ComboProps) {
  const { label, value, choices, onChange, onMake, makes = 'one', recent, placeholder, hint, isLabelHidden } = props
  const id = useId()
  const input = useRef<HTMLInputElement>(null)
  const [typed, setTyped] = useState<string | null>(null)
  const [isMaking, setMaking] = useState(false)
  const ordered = useMemo(() => putRecentFirst(choices, recent), [choices, recent])
  const chosen = choices.find((it) => it.value === value)
  const text = typed ?? chosen?.label ?? ''
  const found = typed === null ? ordered : findChoices(ordered, typed)
  const canMake = onMake !== undefined && typed !== null && typed.trim() !== '' && !isNamed(choices, typed)
  const items: Choice[] = canMake
    ? [...found, { value: MAKE, label: `Add “${typed?.trim()}” as a new ${makes}` }]
    : found
  const take = async (choice: Choice | null | undefined) => {
    if (!choice) return
    let next = choice.value
    if (next === MAKE) {
      setMaking(true)
      const made = await onMake?.(text.trim()).finally(() => setMaking(false))
      if (!made) return
      next = made
    }
    if (recent && next) rememberRecent(recent, next)
    setTyped(null)
    onChange(next)
  }
  const box = useCombobox<Choice>({
    items,
    inputValue: text,
    itemToString: (it) => it?.label ?? '',
    selectedItem: chosen ?? null,
    defaultHighlightedIndex: 0,
    stateReducer: (_, { type, changes }) =>
      // Leaving the field chooses nothing by itself: what was typed and is not in the list is said below it.
      type === useCombobox.stateChangeTypes.InputBlur ? { ...changes, selectedItem: chosen ?? null } : changes,
    onSelectedItemChange: ({ selectedItem, type }) => {
      if (type !== useCombobox.stateChangeTypes.InputBlur) take(selectedItem)
    },
  })
  const leave = () => {
    if (typed === null) return
    const exact = choices.find((it) => it.label.toLowerCase() === typed.trim().toLowerCase())
    if (exact) take(exact)
    else if (typed.trim() === '') {
      setTyped(null)
      onChange('')
    }
  }
  const unknown = typed !== null && typed.trim() !== '' && !box.isOpen
  const problem = unknown
    ? `Choose one from the list${onMake ? ', or add it' : ''}: “${typed?.trim()}” is not in it.`
    : props.problem
  const described = problem ? `${id}-problem` : hint ? `${id}-hint` : undefined
  return (
    <Frame id={id} label={label} hint={hint} problem={problem} isLabelHidden={isLabelHidden}>
      <div className="relative">
        <input
          {...box.getInputProps({
            id,
            ref: input,
            'aria-labelledby': undefined,
            'aria-invalid': problem ? true : undefined,
            'aria-describedby': described,
            'data-unread': unknown ? true : undefined,
            autoComplete: 'off',
            autoFocus: props.autoFocus,
            placeholder,
            disabled: isMaking,
            onChange: (event) => setTyped((event.target as HTMLInputElement).value),
            onFocus: (event) => event.currentTarget.select(),
            onBlur: leave,
            onClick: (event) => {
              // The first letter begins another search, and is not put behind what is chosen.
              if (typed === null) event.currentTarget.select()
              if (!box.isOpen) box.openMenu()
            },
            onKeyDown: (event) => {
              // The first Escape puts back what was there; the next one is for the dialog round it.
              if (event.key === 'Escape' && (box.isOpen || typed !== null)) {
                event.stopPropagation()
                setTyped(null)
              }
            },
          })}
          className={`${INPUT_BOX} h-9`}
        />
        <ul
          {...box.getMenuProps({ 'aria-label': 'Choices', 'aria-labelledby': undefined })}
          className={
            box.isOpen
              ? 'absolute z-20 mt-0.5 max-h-64 w-full min-w-56 overflow-y-auto border border-rule-strong bg-sheet'
              : 'hidden'
          }
        >
          {box.isOpen &&
            items.slice(0, MOST_SHOWN).map((it, index) => (
              <li
                key={it.value}
                {...box.getItemProps({ item: it, index })}
                className={`flex min-h-9 cursor-pointer items-baseline gap-2 px-2.5 py-1.5 text-[13.5px] ${
                  index === box.highlightedIndex ? 'bg-rule' : ''
                } ${it.value === value ? 'font-semibold' : ''}`}
              >
                <span className="min-w-0 flex-1">{it.label}</span>
                {it.aside && <span className="text-[12px] text-quiet">{it.aside}</span>}
              </li>
            ))}
          {box.isOpen && items.length === 0 && (
            <li className="px-2.5 py-2 text-[13px] text-quiet">Nothing of that name.</li>
          )}
        </ul>
      </div>
    </Frame>
  )
}

/** More than this nobody reads; typing narrows it. */
const MOST_SHOWN = 60

const isNamed = (choices: readonly Choice[], text: string) =>
  choices.some((it) => it.label.toLowerCase() === text.trim().toLowerCase())

/** What was chosen last first; everything else as it comes. */
function putRecentFirst(choices: readonly Choice[], recent: string | undefined): Choice[] {
  if (!recent) return [...choices]
  const order = readRecent(recent)
  const rank = ({ value }: Choice) => {
    const at = order.indexOf(value)
    return at < 0 ? order.length : at
  }
  return [...choices].sort((a, b) => rank(a) - rank(b))
}

/** Every word that was typed begins a word of the choice; labels that begin with it come first. */
export function findChoices(choices: readonly Choice[], typed: string): Choice[] {
  const wanted = split(typed)
  if (wanted.length === 0) return [...choices]
  const scored = choices.flatMap((choice) => {
    const own = split([choice.label, choice.aside ?? '', ...(choice.words ?? [])].join(' '))
    if (!wanted.every((word) => own.some((it) => it.startsWith(word)))) return []
    const label = choice.label.toLowerCase()
    const text = typed.trim().toLowerCase()
    const isExact = label === text || choice.words?.some((it) => it.toLowerCase() === text)
    return [{ choice, rank: isExact ? 0 : label.startsWith(text) ? 1 : 2 }]
  })
  return scored.sort((a, b) => a.rank - b.rank).map((it) => it.choice)
}

const split = (text: string) =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}.]+/u)
    .filter(Boolean)
