import { randomUUID } from 'node:crypto'
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import sharp from 'sharp'
import { makeBoundedQueue } from '../../foundation/base/bounded-queue.ts'
import { ProblemError } from '../../foundation/base/problem.ts'

const SIDE = 320
/** A picture of more pixels than any camera of such a studio takes is a trap for memory, not a photo. */
export const MOST_MEGAPIXELS = 110
const MOST_PIXELS = MOST_MEGAPIXELS * 1_000_000

/** One picture at a time: the memory that the largest takes is taken once, however many are sent. */
const standInLine = makeBoundedQueue({
  running: 1,
  waiting: 40,
  full: 'Forty photos wait to be looked at already. Try again in a few seconds.',
})

/** Looks at what a picture says of its size, before anything of it is unpacked; refuses in a sentence. */
export async function requireBearable(bytes: Buffer): Promise<void> {
  const { width = 0, height = 0 } = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => ({ width: 0, height: 0 }))
  if (width * height <= MOST_PIXELS) return
  const detail = `This photo has ${Math.ceil((width * height) / 1_000_000)} megapixels; at most ${MOST_MEGAPIXELS} can be taken. Save it smaller.`
  throw new ProblemError(413, 'Too many pixels', detail)
}

/**
 * A small WebP of a photo, the right way up and without what the camera wrote into it (place, serial, owner). Null where
 * the bytes are no picture that can be read to its end.
 */
export function makeThumbnail(bytes: Buffer): Promise<Buffer | null> {
  return standInLine(() =>
    sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated', sequentialRead: true })
      .rotate()
      .resize(SIDE, SIDE, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 78 })
      .toBuffer()
      .catch(() => null),
  )
}

/** The thumbnail beside its photo: made when it is first asked for, and again after a restore, which does not keep it. */
export async function openThumbnail(file: string): Promise<Buffer | null> {
  const small = `${file}.webp`
  if (existsSync(small)) return readFileSync(small)
  const bytes = await makeThumbnail(readFileSync(file))
  if (bytes === null) return null
  keepBeside(small, bytes)
  return bytes
}

/** A disk that takes no more costs time, not the picture: it is made again when it is asked for again. */
function keepBeside(small: string, bytes: Buffer): void {
  const partial = `${small}.${randomUUID()}.partial`
  try {
    writeFileSync(partial, bytes, { mode: 0o600 })
    renameSync(partial, small)
  } catch {
    rmSync(partial, { force: true })
  }
}
