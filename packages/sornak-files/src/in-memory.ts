// Keeps what is made in memory, piece by piece.

import type { Keeper } from './source.js'

export const inMemory: Keeper = (name) => {
  const parts: Uint8Array[] = []
  let size = 0
  return {
    write(bytes) {
      parts.push(bytes.slice())
      size += bytes.length
    },
    done() {
      // Parts of different sizes: the one that holds a place is found by halving.
      const starts: number[] = []
      let at = 0
      for (const part of parts) {
        starts.push(at)
        at += part.length
      }
      return {
        name,
        size,
        read(into, from) {
          let low = 0
          let high = starts.length - 1
          while (low < high) {
            const middle = (low + high + 1) >> 1
            if (starts[middle]! <= from) low = middle
            else high = middle - 1
          }
          let filled = 0
          for (let i = low; i < parts.length && filled < into.length; i++) {
            const piece = parts[i]!.subarray(Math.max(0, from + filled - starts[i]!))
            const fitting = piece.subarray(0, into.length - filled)
            into.set(fitting, filled)
            filled += fitting.length
          }
          return filled
        },
      }
    },
  }
}
