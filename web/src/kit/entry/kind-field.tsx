import { CATEGORIES, CATEGORY_CODES, type Category, STARTER_MODELS } from '@exemplar/core'
import { type Choice, ComboField } from '../../foundation/form/combo-field.tsx'

const GROUP_NAMES = {
  camera: 'camera',
  light: 'light',
  sound: 'sound',
  support: 'support',
  power: 'power',
  media: 'media and cables',
  set: 'set',
} as const

const KINDS: readonly Choice[] = CATEGORY_CODES.map((code) => {
  const { label, group, ...rest } = CATEGORIES[code]
  return { value: code, label, aside: GROUP_NAMES[group], words: 'words' in rest ? rest.words : [] }
})

const STARTER = 'starter:'
const STARTERS: readonly Choice[] = STARTER_MODELS.map((it) => ({
  value: `${STARTER}${it.name}`,
  label: it.name,
  aside: `common ${CATEGORIES[it.category].label.toLowerCase()}`,
}))

/** What kind of thing it is, found by whatever people call it. */
export function KindField({
  label = 'Kind',
  value,
  onChange,
  onStarter,
  ...rest
}: {
  label?: string
  /** Empty where nobody said yet. */
  value: Category | ''
  onChange(kind: Category): void
  /** Where one of the common things may be chosen as well, with what such a thing usually is. */
  onStarter?(name: string): void
  hint?: string
  problem?: string
  isLabelHidden?: boolean
  autoFocus?: boolean
}) {
  return (
    <ComboField
      label={label}
      recent="kind"
      placeholder="Type what you call it"
      value={value}
      choices={onStarter ? [...KINDS, ...STARTERS] : KINDS}
      onChange={(next) => {
        if (next.startsWith(STARTER)) onStarter?.(next.slice(STARTER.length))
        else onChange(CATEGORY_CODES.find((code) => code === next) ?? 'other')
      }}
      {...rest}
    />
  )
}

/** The kind of thing that is wanted, or anything. */
export function WantedKindField({
  label,
  value,
  onChange,
}: {
  label: string
  value: Category | null
  onChange(kind: Category | null): void
}) {
  return (
    <ComboField
      label={label}
      recent="kind"
      placeholder="Anything"
      value={value ?? ''}
      choices={KINDS}
      onChange={(next) => onChange(CATEGORY_CODES.find((code) => code === next) ?? null)}
    />
  )
}
