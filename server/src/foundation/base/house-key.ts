import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { z } from 'zod'

const keySchema = z.object({ id: z.string().min(1), secret: z.string().min(32) })

/** Who this house is, and how it shows that a backup is its own. */
export interface HouseKey {
  readonly id: string
  sign(text: string): string
  /** Whether this house signed the text. */
  hasSigned(text: string, signature: string): boolean
}

/** The key of a house lies beside its database and in no backup: whoever edits a backup cannot sign it again. */
export function loadHouseKey(folder: string): HouseKey {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const file = join(folder, 'house-key.json')
  if (!existsSync(file)) {
    // Whole or not there: a start that dies in between leaves no half a key.
    writeFileSync(`${file}.partial`, JSON.stringify({ id: v7(), secret: randomBytes(32).toString('base64url') }), {
      mode: 0o600,
      flush: true,
    })
    renameSync(`${file}.partial`, file)
  }
  const { id, secret } = keySchema.parse(JSON.parse(readFileSync(file, 'utf8')))
  const sign = (text: string) => createHmac('sha256', secret).update(text).digest('base64url')
  return {
    id,
    sign,
    hasSigned(text, signature) {
      const own = Buffer.from(sign(text))
      const given = Buffer.from(signature)
      return own.length === given.length && timingSafeEqual(own, given)
    },
  }
}
