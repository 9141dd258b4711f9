// Threads that inspect parts of a file, as many as were asked for. They are started when a file is large enough to
// gain by them, and do not keep the command from ending.

import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import type { Table } from 'sornak'
import type { CsvShape } from 'sornak/rows'
import type { FileOptions, PartWork, Source, Workers } from 'sornak-files'
import type { BindFlags } from './binding.js'

/** What a thread has to know of a file to find the same rule for it. */
export interface BoundBy {
  readonly flags: BindFlags
  readonly path: string
  readonly name: string
}

export interface Task {
  readonly source: Omit<Source, 'read'>
  readonly shape: CsvShape
  readonly headers: readonly string[]
  readonly bound: BoundBy
  readonly options: Omit<FileOptions, 'trusted' | 'shelf'>
}

type Given<K extends keyof PartWork> = Parameters<PartWork[K]>[0]
export type Request =
  | { readonly kind: 'begin'; readonly given: Task }
  | { readonly kind: 'look'; readonly given: Given<'look'> }
  | { readonly kind: 'conclude'; readonly given: Given<'conclude'> }
  | { readonly kind: 'judge'; readonly given: Given<'judge'> }
export type Answer = { readonly result: unknown } | { readonly error: unknown }

interface Thread {
  /** How many answers it owes. */
  readonly owes: number
  ask<Result>(request: Request): Promise<Result>
}

// Beside the built command; its name is the same wherever the bundler puts this module.
const entry = ['thread.js', '../thread.js']
  .map((path) => fileURLToPath(new URL(path, import.meta.url)))
  .find(existsSync)

/** Threads that were started, for the next file. */
const started: Thread[] = []

/** @param count how many are wanted */
export function workersOn(
  source: Source,
  shape: CsvShape,
  { headers }: Table,
  bound: BoundBy,
  options: FileOptions,
  count: number,
): Workers {
  while (started.length < count) started.push(thread())
  const threads = started.slice(0, count)
  // What cannot be sent the threads have by themselves.
  const { read: _read, ...sent } = source
  const { trusted: _trusted, shelf: _shelf, ...said } = options
  const task: Task = { source: sent, shape, headers, bound, options: said }
  const begun = threads.map((one) => one.ask<unknown>({ kind: 'begin', given: task }))
  for (const one of begun) one.catch(() => {})
  const ask = async <Result>(request: Request) => {
    await Promise.all(begun)
    const [idlest] = [...threads].sort((a, b) => a.owes - b.owes)
    return idlest!.ask<Result>(request)
  }
  return {
    count,
    look: (given) => ask({ kind: 'look', given }),
    judge: (given) => ask({ kind: 'judge', given }),
    async conclude(given) {
      const all = threads.map((one) =>
        one.ask<Awaited<ReturnType<Workers['conclude']>>>({ kind: 'conclude', given }),
      )
      return (await Promise.all(all))[0]!
    },
  }
}

// Answers come in the order of the requests.
function thread(): Thread {
  const worker = new Worker(entry!)
  const waiting: { done: (result: never) => void; failed: (error: unknown) => void }[] = []
  worker.unref()
  worker.on('message', (answer: Answer) => {
    const one = waiting.shift()!
    if (waiting.length === 0) worker.unref()
    if ('error' in answer) one.failed(answer.error)
    else one.done(answer.result as never)
  })
  worker.on('error', (error) => {
    for (const one of waiting.splice(0)) one.failed(error)
  })
  return {
    get owes() {
      return waiting.length
    },
    ask(request) {
      worker.ref()
      return new Promise((done, failed) => {
        waiting.push({ done, failed })
        worker.postMessage(request)
      })
    },
  }
}
