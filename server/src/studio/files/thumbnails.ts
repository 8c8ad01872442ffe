import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import sharp from 'sharp'

const SIDE = 320
/** A picture of more pixels than any camera of such a studio takes is a trap for memory, not a photo. */
const MOST_PIXELS = 200_000_000

/**
 * A small WebP of a photo, the right way up and without what the camera wrote into it (place, serial, owner). Null where
 * the bytes are no picture that can be read to its end.
 */
export async function makeThumbnail(bytes: Buffer): Promise<Buffer | null> {
  try {
    return await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
      .rotate()
      .resize(SIDE, SIDE, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 78 })
      .toBuffer()
  } catch {
    return null
  }
}

/** The thumbnail beside its photo: made when it is first asked for, and again after a restore, which does not keep it. */
export async function openThumbnail(file: string): Promise<Buffer | null> {
  const small = `${file}.webp`
  if (existsSync(small)) return readFileSync(small)
  const bytes = await makeThumbnail(readFileSync(file))
  if (bytes === null) return null
  writeFileSync(`${small}.partial`, bytes)
  renameSync(`${small}.partial`, small)
  return bytes
}
