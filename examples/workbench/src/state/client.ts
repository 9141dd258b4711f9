// The page's side of the worker: one question, one answer, and progress on the way.

import type { Inspected, Kind, Replies, Reply, Requests } from '../worker/protocol.js'

export interface Asking {
  progress?(done: number, whole: number): void
  first?(value: Inspected): void
}

export interface Client {
  ask<K extends Kind>(kind: K, body: Requests[K], asking?: Asking): Promise<Replies[K]>
  /** Ends whatever is under way: it is never answered, and everything that the worker held is gone. */
  stop(): void
}

export class Problem extends Error {
  readonly todo: string
  constructor(message: string, todo: string) {
    super(message)
    this.todo = todo
  }
}

interface Open extends Asking {
  resolve(value: never): void
  reject(error: Error): void
}

export function client(): Client {
  let worker: Worker | undefined
  let next = 1
  const open = new Map<number, Open>()

  function started(): Worker {
    if (worker) return worker
    worker = new Worker(new URL('../worker/worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<Reply>) => {
      const asked = open.get(data.id)
      if (!asked) return
      if (data.kind === 'progress') return asked.progress?.(data.done, data.whole)
      if (data.kind === 'first') return asked.first?.(data.value)
      open.delete(data.id)
      if (data.kind === 'done') asked.resolve(data.value as never)
      else asked.reject(new Problem(data.message, data.todo))
    }
    worker.onerror = (event) => {
      for (const asked of open.values())
        asked.reject(new Problem(event.message || 'The worker ended.', 'Open the file again.'))
      open.clear()
    }
    return worker
  }

  return {
    ask(kind, body, asking = {}) {
      const id = next++
      return new Promise((resolve, reject) => {
        open.set(id, { ...asking, resolve: resolve as Open['resolve'], reject })
        started().postMessage({ id, kind, body })
      })
    },
    stop() {
      worker?.terminate()
      worker = undefined
      open.clear()
    },
  }
}
