import type { Readable } from 'node:stream'
import yazl from 'yazl'

export function makeArchive(): yazl.ZipFile {
  return new yazl.ZipFile()
}

/** The bytes of an archive. What goes wrong while it is made breaks off the stream, instead of the whole process. */
export function toStream(archive: yazl.ZipFile): Readable {
  const stream = archive.outputStream as Readable
  // Where nobody reads the stream (the volume was gone), nobody hears its error either.
  stream.on('error', () => {})
  archive.on('error', (error) => stream.destroy(error as Error))
  return stream
}
