import { z } from 'zod'
import { idSchema, versionSchema } from '../identity.ts'

/** What may be attached, by what the file itself says it is. */
export const ATTACHMENT_TYPES: Readonly<Record<string, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
  'application/pdf': 'pdf',
}
export const ATTACHMENT_LIMIT_BYTES = 12_000_000
export const ATTACHED_TO = ['unit', 'place', 'setup', 'person', 'booking'] as const

/** A picture of this name, kept with a setup, shows how it should look. */
export const REFERENCE_STILL = 'Reference'

/** Whether a file is the picture of that name, whatever its ending. */
export const isStillOf = (name: string, file: { name: string; mime: string }): boolean =>
  file.mime.startsWith('image/') && file.name.toLowerCase().startsWith(`${name.toLowerCase()}.`)

export const attachmentSchema = z.object({
  id: idSchema,
  subjectType: z.enum(ATTACHED_TO),
  subjectId: idSchema,
  name: z.string(),
  mime: z.string(),
  bytes: z.number().int(),
  sha256: z.string(),
  addedAt: z.number().int(),
  version: versionSchema,
})
export type Attachment = z.infer<typeof attachmentSchema>

/** The file name with the ending of what the file truly is, so that no program is started for what it is not. */
export function nameAttachment(name: string, mime: string): string {
  const ending = ATTACHMENT_TYPES[mime] ?? 'bin'
  const clean = cleanFileName(name)
  const known = ending === 'jpg' ? ['jpg', 'jpeg', 'jpe'] : [ending]
  const isRight = known.some((it) => clean.toLowerCase().endsWith(`.${it}`))
  return isRight ? clean : `${clean.replace(/\.[a-z0-9]{1,8}$/i, '').slice(0, 110) || 'file'}.${ending}`
}

/** A file name as it may be shown and offered for saving: no path, no control characters, of bearable length. */
export function cleanFileName(name: string): string {
  const last = name.split(/[/\\]/).pop() ?? ''
  const plain = last
    .replace(/[\p{Cc}"<>|:*?]/gu, '')
    .replace(/^\.+/, '')
    .trim()
  return plain.slice(-120) || 'file'
}
