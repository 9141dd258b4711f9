// Tokens -> tree. Decides what the words of a slot mean; whether the tree as a whole makes sense is
// left to check.ts.

import { isKindName } from './kinds.js'
import { problems } from './messages.js'
import { MaskError } from './problem.js'
import { scan, type Token, type Word } from './scan.js'
import type { Kind, Node, Slot } from './tree.js'

/** The widest a mask may be, in characters; "N.." counts as N. */
export const MOST_CHARACTERS = 4096

/** @throws {MaskError} where the text is not a mask. */
export function parse(text: string): Node[] {
  const tokens = scan(text)
  const open: { nodes: Node[]; at: number }[] = [{ nodes: [], at: 0 }]
  for (const token of tokens) {
    const inner = open.at(-1)!
    if (token.kind === 'literal') inner.nodes.push(token)
    else if (token.kind === 'slot') inner.nodes.push(parseSlot(text, token))
    else if (token.kind === 'section-start') open.push({ nodes: [], at: token.at })
    else {
      if (open.length === 1) throw new MaskError(text, problems.bracketStray(text, token.at))
      open.pop()
      open
        .at(-1)!
        .nodes.push({ kind: 'section', nodes: inner.nodes, at: inner.at, end: token.at + 1 })
    }
  }
  if (open.length > 1) throw new MaskError(text, problems.sectionOpen(text, open.at(-1)!.at))
  return open[0]!.nodes
}

function parseSlot(text: string, token: Token & { kind: 'slot' }): Slot {
  let name: string | undefined
  let count: { min: number; max: number } | undefined
  let chars: Kind | undefined
  const options = new Map<'pad' | 'hide', string>()
  const words = token.words.filter((word) => word.kind !== 'comma')
  for (let i = 0; i < words.length; i++) {
    const word = words[i]!
    const quoted =
      words[i + 1]?.kind === 'quoted' ? (words[i + 1] as Word & { kind: 'quoted' }) : undefined
    if (word.kind === 'name') name = word.text
    else if (word.kind === 'count') {
      if (count || chars || options.size) refuseSecond(text, word)
      count = readCount(text, word)
    } else if (word.kind === 'quoted') {
      throw new MaskError(text, problems.slotToken(text, token.at, word.at))
    } else if (word.text === 'of') {
      if (chars) refuseSecond(text, word)
      if (!quoted?.text) throw new MaskError(text, problems.setMissing(text, word.at))
      chars = { kind: 'of', ranges: readRanges(text, quoted) }
      i++
    } else if (word.text === 'pad' || word.text === 'hide') {
      if (options.has(word.text)) {
        throw new MaskError(text, problems.optionRepeated(text, word.text, word.at))
      }
      if (quoted && [...quoted.text].length !== 1) {
        throw new MaskError(text, problems.optionArgument(text, quoted.at, quoted.raw))
      }
      options.set(word.text, quoted?.text ?? (word.text === 'pad' ? '0' : '•'))
      if (quoted) i++
    } else {
      const kind = kindNamed(word.text)
      if (!kind) {
        const first = words[0] === word
        throw new MaskError(text, problems.kindUnknown(text, word.text, word.at, token.end, first))
      }
      if (chars) refuseSecond(text, word)
      chars = kind
    }
  }
  if (!count && !chars) throw new MaskError(text, problems.slotEmpty(text, token.at, token.end))
  const pad = options.get('pad')
  const hide = options.get('hide')
  return {
    kind: 'slot',
    ...(name !== undefined && { name }),
    min: count?.min ?? 1,
    max: count?.max ?? 1,
    chars: chars ?? { kind: 'digit' },
    ...(pad !== undefined && { pad }),
    ...(hide !== undefined && { hide }),
    at: token.at,
    end: token.end,
  }
}

/** `digit` or `digits`: drafts and messages say "{3 digits}" where a bare count could confuse. */
function kindNamed(word: string): Kind | undefined {
  if (isKindName(word)) return { kind: word }
  const singular = word.replace(/s$/, '')
  return (singular === 'digit' || singular === 'letter') && singular !== word
    ? { kind: singular }
    : undefined
}

function readCount(text: string, word: Word & { kind: 'count' }): { min: number; max: number } {
  const { min, max, at } = word
  const length = min.length + (max === min ? 0 : 2 + (max?.length ?? 0))
  const low = small(min)
  const high = max === null ? Infinity : small(max)
  if (high === 0) throw new MaskError(text, problems.countZero(text, at, length))
  if (low > MOST_CHARACTERS || (max !== null && high > MOST_CHARACTERS)) {
    throw new MaskError(text, problems.countLarge(text, at, length, MOST_CHARACTERS))
  }
  if (high < low) throw new MaskError(text, problems.countReversed(text, at, min, max!))
  return { min: low, max: high }
}

// A count is a size, not an identifier: it may be a number. Absurd ones stay finite.
const small = (digits: string) => (digits.length > 9 ? 999_999_999 : Number.parseInt(digits, 10))

function readRanges(text: string, quoted: Word & { kind: 'quoted' }): [number, number][] {
  const chars = [...quoted.text]
  const ranges: [number, number][] = []
  for (let i = 0; i < chars.length; i++) {
    const low = chars[i]!.codePointAt(0)!
    if (chars[i + 1] === '.' && chars[i + 2] === '.' && chars[i + 3] !== undefined) {
      const high = chars[i + 3]!.codePointAt(0)!
      if (high < low) {
        throw new MaskError(
          text,
          problems.setReversed(text, quoted.at, quoted.raw, chars[i]!, chars[i + 3]!),
        )
      }
      ranges.push([low, high])
      i += 3
    } else ranges.push([low, low])
  }
  return merge(ranges)
}

function merge(ranges: [number, number][]): [number, number][] {
  const out: [number, number][] = []
  for (const [low, high] of [...ranges].sort((a, b) => a[0] - b[0])) {
    const last = out.at(-1)
    if (last && low <= last[1] + 1) last[1] = Math.max(last[1], high)
    else out.push([low, high])
  }
  return out
}

function refuseSecond(text: string, word: Word): never {
  const written =
    word.kind === 'count'
      ? word.min + (word.max === word.min ? '' : `..${word.max ?? ''}`)
      : word.kind === 'comma'
        ? ','
        : word.text
  throw new MaskError(text, problems.kindRepeated(text, written, word.at))
}
