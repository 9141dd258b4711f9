// Requests in, one after the other; answers out.

import { FileProblem } from 'sornak-files'
import { bench, type Handlers } from './bench.js'
import type { Inspected, Kind, Replies, Reply, Request, Requests } from './protocol.js'

const say = (reply: Reply) => postMessage(reply)
const handlers = bench()
const EVERY = 80

async function handle<K extends Kind>(id: number, kind: K, body: Requests[K]): Promise<void> {
  let last = 0
  const progress = {
    at(done: number, whole: number) {
      const now = performance.now()
      if (now - last < EVERY) return
      last = now
      say({ id, kind: 'progress', done, whole })
    },
    clear: () => {},
  }
  const first = (value: Inspected) => say({ id, kind: 'first', value })
  const run = handlers[kind] as Handlers[K]
  try {
    const value: Replies[K] = await run(body, progress, first)
    say({ id, kind: 'done', value })
  } catch (error) {
    const todo = error instanceof FileProblem ? error.todo : ''
    say({ id, kind: 'problem', message: (error as Error).message, todo })
  }
}

let queue: Promise<void> = Promise.resolve()
addEventListener('message', ({ data }: MessageEvent<Request>) => {
  const { id, kind, body } = data
  // What is only looked up does not wait for long work.
  if (kind === 'page' || kind === 'near' || kind === 'pairs') void handle(id, kind, body)
  else queue = queue.then(() => handle(id, kind, body as never))
})
