import {
  parseSetting,
  READ_SETTINGS,
  type ReadSettingKey,
  readSetting,
  type Setting,
  writeSetting,
} from '@exemplar/core'
import { useState } from 'react'
import { TextField } from '../../foundation/form/field.tsx'

/** One setting of the card as a figure. What stands there and is none is shown as it is, until somebody writes one. */
export function SettingField({
  label,
  setting,
  name,
  card,
  onChange,
}: {
  label: string
  setting: ReadSettingKey
  /** How it is called on the card. */
  name?: string
  card: readonly Setting[]
  onChange(card: Setting[]): void
}) {
  const { write, example } = READ_SETTINGS[setting]
  const { figure, unread } = readSetting(card, setting)
  const [text, setText] = useState(figure === null ? (unread ?? '') : write(figure))
  // In words, as somebody wrote it on the card: it stays, and holds nothing back.
  const [words] = useState(unread)
  const isWords = words !== null && text === words
  const isRead = isWords || parseSetting(text, setting, card) !== undefined
  return (
    <TextField
      label={label}
      placeholder={example}
      hint={isWords ? 'no figure: not reckoned with' : undefined}
      value={text}
      unread={isRead ? undefined : `Write it as ${example}.`}
      onChange={(event) => {
        const typed = event.target.value
        setText(typed)
        const read = parseSetting(typed, setting, card)
        if (read !== undefined) onChange(writeSetting(card, setting, read, name))
      }}
    />
  )
}
