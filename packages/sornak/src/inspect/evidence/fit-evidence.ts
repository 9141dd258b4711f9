// What a value that fits says of each process: that it could have printed it, or that it could not.

import type { Process } from './process.js'
import type { Answer } from './usual.js'
import { isDigits } from './value-bytes.js'

export interface FitReader {
  says(bytes: Uint8Array, start: number, end: number): Answer
  /** It is exactly the limit of a type, as hardly a value is by chance. */
  isLimit(bytes: Uint8Array, start: number, end: number): boolean
}

/** @param mixed values may hold other characters than digits */
export function fitReader(processes: readonly Process[], mixed: boolean): FitReader {
  const asked = processes.flatMap((process, i) => (process.fits ? [{ i, fits: process.fits }] : []))
  const unasked = processes.flatMap(({ fits, usual, ofDigits }, i) =>
    ofDigits && !fits && usual !== 0 ? [[i, -usual] as const] : [],
  )
  const nearTexts = processes.map(({ nearly }) => `${nearly ?? ''}`)
  return {
    says(bytes, start, end) {
      const said: [number, number][] = []
      const held: number[] = []
      const near: number[] = []
      const number = !mixed || isDigits(bytes, start, end)
      for (const { i, fits } of asked) {
        const { max, usual, ofDigits } = processes[i]!
        const score = number || !ofDigits ? fits(bytes, start, end) : 0
        if (max !== undefined && number && score >= 0) {
          held.push(i)
          if (score > 0 || isNear(bytes, start, end, nearTexts[i]!)) near.push(i)
        }
        if (score !== usual) said.push([i, score - usual])
      }
      if (!number) {
        for (const [i, more] of unasked) said.push([i, more])
        said.sort(([a], [b]) => a - b)
      }
      return { said, held, near }
    },
    isLimit: (bytes, start, end) =>
      processes.some(
        ({ exactly, fits }) => exactly !== undefined && fits!(bytes, start, end) === exactly,
      ),
  }
}

function isNear(bytes: Uint8Array, start: number, end: number, text: string): boolean {
  if (end - start !== text.length) return end - start > text.length
  for (let i = 0; i < text.length; i++) {
    const order = bytes[start + i]! - text.charCodeAt(i)
    if (order !== 0) return order > 0
  }
  return true
}
