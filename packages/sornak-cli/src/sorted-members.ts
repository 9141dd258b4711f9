// The members of a long list, sorted without holding them all: sorted runs go to files without a name, are merged into
// one, and its blocks are read again as they are asked for.

import { firstWhere, memberKey, trustedIn, trustedList, type TrustedList } from 'sornak'
import { bytesOf, type Source } from 'sornak-files'
import { heap } from './heaps.js'
import { merged } from './merge.js'
import type { Desk } from './source.js'

/** Members that are sorted at once, and that a list may have without going to a file: about 15 MB. */
const AT_ONCE = 100_000
const EACH = 256
/** Blocks that are held: about 30 MB. */
const BLOCKS_HELD = 4096

export interface MemberSorter {
  add(text: string): void
  done(): TrustedList
}

/** @param name of the list, for messages */
export function memberSorter(files: Desk, name: string, atOnce: number = AT_ONCE): MemberSorter {
  let texts: string[] = []
  const runs: Iterable<string>[] = []
  const what = `the trusted list ${name}`

  function layDown(): void {
    const run = heap(files, what)
    for (const key of texts.map(memberKey).sort()) run.add(key)
    runs.push(run.lines())
    texts = []
  }

  return {
    add(text) {
      texts.push(text)
      if (texts.length >= atOnce) layDown()
    },
    done() {
      if (runs.length === 0) return trustedList(texts)
      layDown()
      return inFile(files, what, runs)
    },
  }
}

function inFile(files: Desk, what: string, runs: readonly Iterable<string>[]): TrustedList {
  const kept = files.keep(what)
  /** The first key of each block, and where it begins. */
  const fences: string[] = []
  const starts: number[] = []
  /** Bytes of a line of each block; 0 where they differ. */
  const widths: number[] = []
  let [size, at] = [0, 0]
  let last: string | undefined
  let held: string[] = []
  const write = () => {
    const bytes = Buffer.from(`${held.join('\n')}\n`, 'latin1')
    starts.push(at)
    const [first = ''] = held
    fences.push(first)
    widths.push(held.every(({ length }) => length === first.length) ? first.length + 1 : 0)
    kept.write(bytes)
    at += bytes.length
    held = []
  }
  const take = (key: string) => {
    if (key === last) return
    last = key
    held.push(key)
    size++
    if (held.length === EACH) write()
  }
  const order = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)
  merged(
    runs.map((run) => run[Symbol.iterator]()),
    order,
    take,
  )
  if (held.length > 0) write()
  starts.push(at)
  const block = blocksOf(kept.done(), starts)
  return trustedIn({
    size,
    rankOf(key) {
      const i = Math.max(0, firstWhere(fences.length, (fence) => fences[fence]! > key) - 1)
      return i * EACH + linesBelow(block(i), Buffer.from(key, 'latin1'), widths[i]!)
    },
    keyAt(rank) {
      const i = Math.floor(rank / EACH)
      return lineAt(block(i), rank % EACH, widths[i]!)
    },
  })
}

const LINE_END = 10

// How many lines of a sorted block come before this one. Where all are of one width they need not be counted.
function linesBelow(block: Buffer, line: Buffer, width: number): number {
  let [low, high] = [0, block.length]
  while (low < high) {
    const middle = (low + high) >> 1
    const start = middle === 0 ? 0 : block.lastIndexOf(LINE_END, middle - 1) + 1
    const end = block.indexOf(LINE_END, start)
    if (block.compare(line, 0, line.length, start, end) < 0) low = end + 1
    else high = start
  }
  if (width > 0) return low / width
  let count = 0
  for (let at = 0; at < low; at++) if (block[at] === LINE_END) count++
  return count
}

function lineAt(block: Buffer, line: number, width: number): string {
  if (width > 0) return block.toString('latin1', line * width, (line + 1) * width - 1)
  let start = 0
  for (let before = 0; before < line; before++) start = block.indexOf(LINE_END, start) + 1
  return block.toString('latin1', start, block.indexOf(LINE_END, start))
}

// Those asked for last are held.
function blocksOf(source: Source, starts: readonly number[]): (i: number) => Buffer {
  const held = new Map<number, Buffer>()
  return (i) => {
    const block = held.get(i) ?? Buffer.from(bytesOf(source, starts[i]!, starts[i + 1]!).buffer)
    held.delete(i)
    held.set(i, block)
    if (held.size > BLOCKS_HELD) held.delete(held.keys().next().value!)
    return block
  }
}
