// What the benches of verdicts share: a column judged as the command judges it, numbers drawn again the same each
// time, and work divided among threads.

import { availableParallelism } from 'node:os'
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads'
import { machineOf } from '../packages/sornak/dist/identifier/machine.js'
import { columnEvidence, columnRuns, fit, judge, spaceOf } from '../packages/sornak/dist/index.js'

/** A source of random numbers (Lehmer's, modulus 2^31 - 1): the same for the same start. */
export function randomFrom(start) {
  let state = (start % 2147483646) + 1
  const below = (limit) => (state = (state * 48271) % 2147483647) % limit
  const digits = (count) => Array.from({ length: count }, () => `${below(10)}`).join('')
  return { below, digits }
}

/**
 * Made-up values that fit a definition, one a call: each width and shape is as likely as any other, and so is each
 * value of one.
 */
export function valuesOf(definition, random) {
  const machines = spaceOf(definition).layouts.map((layout) =>
    machineOf(definition, layout, () => true),
  )
  const possible = machines.filter((machine) => machine.endings(machine.start) > 0n)
  // A place in a list of so many, to six digits.
  const among = (count) => (BigInt(random(1_000_000)) * count) / 1_000_000n
  return () => {
    for (;;) {
      const machine = possible[random(possible.length)]
      let node = machine.start
      let text = ''
      for (const alphabet of machine.alphabet) {
        let left = among(machine.endings(node))
        for (const code of alphabet) {
          const to = machine.step(node, code)
          const count = to ? machine.endings(to) : 0n
          if (left < count) {
            node = to
            text += String.fromCharCode(code)
            break
          }
          left -= count
        }
      }
      // A rule that the automaton cannot follow is left.
      if (fit(definition, text).ok) return text
    }
  }
}

/** What the values of a column say together: the first pass. */
export function evidenceOf(definition, texts) {
  const evidence = columnEvidence(definition)
  texts.forEach((text, index) => {
    const place = { index, line: index, offset: index }
    if (fit(definition, text).ok) {
      const bytes = Buffer.from(text)
      evidence.fits(bytes, 0, bytes.length, place)
    } else if (text.trim()) evidence.misfit(text, place)
  })
  return evidence.state()
}

/** The values of a column under a definition: both passes. */
export function judgedColumn(definition, texts) {
  const runs = columnRuns(definition, evidenceOf(definition, texts))
  return {
    runs,
    judgedAt(index) {
      const run = runs.around(index)
      return {
        run,
        ...judge(definition, texts[index], 1000, run ?? { lift: runs.outside, suspect: false }),
      }
    },
  }
}

/**
 * Each of the tasks once, on as many threads as there are processors; `measure` runs in the thread, what it
 * returns comes back in the order of the tasks.
 */
export async function inThreads(url, tasks, measure) {
  if (!isMainThread) {
    const { part, parts } = workerData
    const done = tasks.flatMap((task, i) => (i % parts === part ? [[i, measure(task)]] : []))
    parentPort.postMessage(done)
    return undefined
  }
  const parts = Math.min(4, availableParallelism())
  const all = await Promise.all(
    Array.from(
      { length: parts },
      (_, part) =>
        new Promise((done, failed) =>
          new Worker(url, { argv: process.argv.slice(2), workerData: { part, parts } })
            .on('message', done)
            .on('error', failed),
        ),
    ),
  )
  return all
    .flat()
    .sort(([a], [b]) => a - b)
    .map(([, result]) => result)
}
