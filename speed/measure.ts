/** One measured pair: what Exemplar does, and a stated reference for the same work in the same run. */
export interface Row {
  name: string
  reference: string
  /** At most so many times the reference; null where no target is set yet. */
  target: number | null
  ours(): void | Promise<void>
  theirs(): void | Promise<void>
}

export interface Measured extends Pick<Row, 'name' | 'reference' | 'target'> {
  oursMs: number
  theirsMs: number
  ratio: number
}

/** Runs both in turn, so that a slow moment of the machine meets both, and takes the medians. */
export async function measure({ ours, theirs, ...row }: Row, rounds = 60): Promise<Measured> {
  const oursTimes: number[] = []
  const theirsTimes: number[] = []
  for (let round = -5; round < rounds; round++) {
    const a = await time(ours)
    const b = await time(theirs)
    if (round < 0) continue
    oursTimes.push(a)
    theirsTimes.push(b)
  }
  const oursMs = median(oursTimes)
  const theirsMs = median(theirsTimes)
  return { ...row, oursMs, theirsMs, ratio: oursMs / theirsMs }
}

async function time(work: () => void | Promise<void>): Promise<number> {
  const start = performance.now()
  await work()
  return performance.now() - start
}

function median(values: number[]): number {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN
}
