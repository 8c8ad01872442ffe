import { Worker } from 'node:worker_threads'
import { ProblemError } from './problem.ts'

/** Long work that would hold up everybody else's requests, done in a thread of its own. */
export interface JobRunner {
  /**
   * Does a job over the data of a folder. Rejects with a sentence where it takes too long; where the signal is aborted the
   * job is broken off at once, whatever it was doing.
   */
  run<T>(name: string, params: Record<string, unknown>, signal?: AbortSignal): Promise<T>
  /** Begins the thread while nobody waits for it, so that the first who asks does not. */
  begin(): void
}

export interface JobMessage {
  id: number
  name: string
  folder: string
  fixedNow: number | null
  params: Record<string, unknown>
}

/** The first message of a thread: it has read its code and works from now on. */
export interface JobReady {
  isReady: true
}

export type JobReply = { id: number; result: unknown } | { id: number; error: string; problem: JobProblem | null }
export type JobProblem = Pick<ProblemError, 'status' | 'message'> & { title: string }

/** After so long a job is broken off: nobody waits longer for a page. Beginning the thread does not count. */
const LIMIT_MS = 20_000

interface Waiting extends JobMessage {
  settle(reply: JobReply): void
  fail(error: Error): void
}

/** One thread for all jobs of this process, one job at a time; begun when the first is asked for. */
class JobThread {
  private worker: Worker | null = null
  private isReady = false
  private queue: Waiting[] = []
  private current: Waiting | null = null
  private timer: NodeJS.Timeout | undefined
  private lastId = 0

  add(message: Omit<JobMessage, 'id'>, signal: AbortSignal | undefined): Promise<unknown> {
    return new Promise((resolve, reject) => {
      const job: Waiting = {
        ...message,
        id: ++this.lastId,
        settle: (reply) => ('result' in reply ? resolve(reply.result) : reject(readError(reply))),
        fail: reject,
      }
      if (signal?.aborted) return reject(new Error('The job was broken off before it began.'))
      signal?.addEventListener('abort', () => this.breakOff(job, new Error('The job was broken off.')), { once: true })
      this.queue.push(job)
      this.next()
    })
  }

  private next(): void {
    if (this.current) return
    const job = this.queue.shift()
    if (!job) return
    this.current = job
    this.start().postMessage({
      id: job.id,
      name: job.name,
      folder: job.folder,
      fixedNow: job.fixedNow,
      params: job.params,
    } satisfies JobMessage)
    if (this.isReady) this.limit()
  }

  private limit(): void {
    const job = this.current
    if (!job) return
    const tooLong = new ProblemError(
      503,
      'This took too long',
      'Exemplar gave up on this after 20 seconds. Try a smaller question.',
    )
    this.timer = setTimeout(() => this.breakOff(job, tooLong), LIMIT_MS)
  }

  private start(): Worker {
    if (this.worker) return this.worker
    const worker = isSource ? startSource() : new Worker(new URL('./job-thread.mjs', import.meta.url))
    // A thread that waits for work keeps no process from ending.
    worker.unref()
    worker.on('message', (message: JobReply | JobReady) => {
      if (this.worker !== worker) return
      if ('id' in message) this.finish(message)
      else {
        this.isReady = true
        this.limit()
      }
    })
    worker.on('error', (error) => this.fail(worker, error))
    this.worker = worker
    this.isReady = false
    return worker
  }

  private finish(reply: JobReply): void {
    if (this.current?.id !== reply.id) return
    const job = this.current
    this.end()
    job.settle(reply)
    this.next()
  }

  private fail(worker: Worker, error: Error): void {
    if (this.worker !== worker) return
    this.worker = null
    const job = this.current
    this.end()
    job?.fail(error)
    this.next()
  }

  /** What runs is ended with its thread, as nothing in it listens; what waits is forgotten. */
  private breakOff(job: Waiting, error: Error): void {
    this.queue = this.queue.filter((it) => it !== job)
    job.fail(error)
    if (this.current !== job) return
    this.worker?.terminate()
    this.worker = null
    this.end()
    this.next()
  }

  private end(): void {
    clearTimeout(this.timer)
    this.current = null
  }
}

const isSource = import.meta.url.endsWith('.ts')

/** From the sources: Node itself reads no TypeScript in a thread, so the loader is told to first. */
function startSource(): Worker {
  const entry = new URL('../../job-thread.ts', import.meta.url).href
  const loader = import.meta.resolve('tsx/esm/api')
  const script = `import(${JSON.stringify(loader)}).then((it) => { it.register(); return import(${JSON.stringify(entry)}) })`
  return new Worker(script, { eval: true })
}

function readError(reply: Extract<JobReply, { error: string }>): Error {
  const { problem } = reply
  return problem ? new ProblemError(problem.status, problem.title, problem.message) : new Error(reply.error)
}

const thread = new JobThread()

export function makeJobRunner(folder: string, fixedNow: number | null): JobRunner {
  return {
    run: <T>(name: string, params: Record<string, unknown>, signal?: AbortSignal) =>
      thread.add({ name, folder, fixedNow, params }, signal) as Promise<T>,
    begin() {
      thread.add({ name: 'warm', folder, fixedNow, params: {} }, undefined).catch(() => {
        // Whoever asks next is told what is wrong.
      })
    },
  }
}
