// A thread that works on parts of a file: it binds the rules for itself, since what they hold cannot be sent.

import { parentPort } from 'node:worker_threads'
import { partWork, type PartWork, type Source } from 'sornak-files'
import { bindRun, ruleFor } from './binding.js'
import { readerOf } from './source.js'
import type { Answer, Request, Task } from './threads.js'

let work: PartWork | undefined

function begin({ source, shape, headers, bound, options }: Task): void {
  const { rules, base, single } = bindRun(bound.flags)
  const rule = single ?? ruleFor(rules!, bound.path, bound.name, base, source.sheet)
  const from: Source = { ...source, read: readerOf(source.descriptor!) }
  work = partWork(from, shape, headers, rule, { ...options, trusted: new Map() })
}

async function answerTo(request: Request): Promise<unknown> {
  if (request.kind === 'begin') return begin(request.given)
  if (request.kind === 'look') return work!.look(request.given)
  if (request.kind === 'conclude') return work!.conclude(request.given)
  return work!.judge(request.given)
}

// One request after the other: answers come in the order of the requests.
let done = Promise.resolve()
parentPort!.on('message', (request: Request) => {
  const send = (answer: Answer) => parentPort!.postMessage(answer)
  done = done.then(() =>
    answerTo(request)
      .then((result) => send({ result }))
      .catch((error: unknown) => send({ error })),
  )
})
