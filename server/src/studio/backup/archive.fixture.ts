import yauzl from 'yauzl'
import yazl from 'yazl'

/** The entries of an archive, by their names. */
export async function readEntries(bytes: Buffer): Promise<Map<string, Buffer>> {
  const archive = await yauzl.fromBufferPromise(bytes)
  const entries = new Map<string, Buffer>()
  for await (const entry of archive.eachEntry()) {
    const pieces: Buffer[] = []
    for await (const piece of await archive.openReadStreamPromise(entry)) pieces.push(piece as Buffer)
    entries.set(entry.fileName, Buffer.concat(pieces))
  }
  return entries
}

export async function zipUp(files: Iterable<[string, Buffer]>): Promise<Buffer> {
  const archive = new yazl.ZipFile()
  for (const [name, bytes] of files) archive.addBuffer(bytes, name)
  archive.end()
  const pieces: Buffer[] = []
  for await (const piece of archive.outputStream) pieces.push(piece as Buffer)
  return Buffer.concat(pieces)
}
