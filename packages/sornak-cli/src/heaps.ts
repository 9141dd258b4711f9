// Lines of text that are laid down in files without a name, and read back in order.

import type { Heap } from 'sornak'
import type { Source } from 'sornak-files'
import type { Desk } from './source.js'

/** So many characters are held before they are written. */
const HELD = 32 * 1024
/** Of many heaps each may hold fewer. */
const HELD_OF_MANY = 4 * 1024

/** @param name what is kept in it, for messages */
export function heap(files: Desk, name: string, most: number = HELD): Heap {
  let kept: ReturnType<Desk['keep']> | undefined
  let held = ''
  const settle = () => {
    kept ??= files.keep(name)
    kept.write(Buffer.from(held))
    held = ''
  }
  return {
    add(line) {
      held += `${line}\n`
      if (held.length >= most) settle()
    },
    *lines() {
      if (kept) {
        settle()
        yield* linesOf(kept.done())
      } else yield* held.split('\n').slice(0, -1)
    },
  }
}

/** Heaps for the values of a file that must be unique. */
export const shelfOf = (files: Desk, name: string) => (): Heap =>
  heap(files, `the values of ${name}`, HELD_OF_MANY)

function* linesOf(source: Source): Generator<string> {
  const decoder = new TextDecoder()
  const buffer = Buffer.alloc(HELD)
  let rest = ''
  for (let at = 0; ;) {
    const size = source.read(buffer, at)
    if (size === 0) break
    at += size
    const lines = (rest + decoder.decode(buffer.subarray(0, size), { stream: true })).split('\n')
    rest = lines.pop()!
    yield* lines
  }
}
