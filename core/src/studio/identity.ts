import { z } from 'zod'

/** An id as stored: letters, digits, dash and underscore. Made by the server or, for parts of a setup, by the page. */
export const idSchema = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,64}$/, 'An id has 1 to 64 letters, digits, dashes or underscores.')
export const versionSchema = z.number().int().min(1)
/** So many characters has a name at most. */
export const LONGEST_NAME = 120
export const nameSchema = z
  .string()
  .trim()
  .min(1, 'Give it a name.')
  .max(LONGEST_NAME, `A name has at most ${LONGEST_NAME} characters.`)
  .refine(isPlainText, 'This holds characters that cannot be shown.')
export const noteSchema = z
  .string()
  .max(2000, 'A note has at most 2,000 characters.')
  .refine(isPlainText, 'This holds characters that cannot be shown.')

/** No control characters but tab and line ends: they break labels, sheets and exports. */
function isPlainText(text: string): boolean {
  // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for
  return !/[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/.test(text)
}
