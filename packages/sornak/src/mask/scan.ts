// Mask text -> tokens. Decides what is literal, where slots and sections begin and end, and what
// the words in a slot are; leaves their meaning to parse.ts.

import { MaskError } from './problem.js'
import { problems } from './messages.js'

export type Token =
  | { readonly kind: 'literal'; readonly text: string; readonly at: number }
  | { readonly kind: 'section-start' | 'section-end'; readonly at: number }
  | {
      readonly kind: 'slot'
      readonly words: readonly Word[]
      readonly at: number
      readonly end: number
    }

/** A word inside the braces of a slot. */
export type Word =
  | { readonly kind: 'name'; readonly text: string; readonly at: number }
  | { readonly kind: 'word'; readonly text: string; readonly at: number }
  | {
      readonly kind: 'count'
      readonly min: string
      readonly max: string | null
      readonly at: number
    }
  | { readonly kind: 'quoted'; readonly text: string; readonly raw: string; readonly at: number }
  | { readonly kind: 'pattern'; readonly text: string; readonly at: number }
  | { readonly kind: 'comma'; readonly at: number }

/** @throws {MaskError} where a brace, bracket, quote or backslash is left open or stray. */
export function scan(text: string): Token[] {
  const tokens: Token[] = []
  let literal = ''
  let literalAt = 0
  const flush = () => {
    if (literal) tokens.push({ kind: 'literal', text: literal, at: literalAt })
    literal = ''
  }
  for (let at = 0; at < text.length;) {
    const char = text[at]!
    if (char === '{') {
      flush()
      const slot = scanSlot(text, at)
      tokens.push(slot)
      at = slot.end
    } else if (char === '[' || char === ']') {
      flush()
      tokens.push({ kind: char === '[' ? 'section-start' : 'section-end', at })
      at++
    } else if (char === '}') {
      throw new MaskError(text, problems.braceStray(text, at))
    } else {
      if (!literal) literalAt = at
      if (char === '\\') at++
      const code = text.codePointAt(at)
      if (code === undefined) throw new MaskError(text, problems.escapeEnd(text, at - 1))
      const taken = String.fromCodePoint(code)
      literal += taken
      at += taken.length
    }
  }
  flush()
  return tokens
}

//  {area: 3 upper, pad "x"}
//  ^ at                    ^ end
function scanSlot(text: string, start: number): Token & { kind: 'slot' } {
  const words: Word[] = []
  let at = start + 1
  for (;;) {
    while (text[at] === ' ' || text[at] === '\t') at++
    const char = text[at]
    if (char === undefined || char === '{' || char === '[' || char === ']') {
      throw new MaskError(text, problems.slotOpen(text, start, at))
    }
    if (char === '}') return { kind: 'slot', words, at: start, end: at + 1 }
    if (char === ',') {
      words.push({ kind: 'comma', at })
      at++
      continue
    }
    const found = char === '"' ? scanQuoted(text, at) : scanWord(text, at, words.length === 0)
    if (!found) throw new MaskError(text, problems.slotToken(text, start, at))
    words.push(found.word)
    at = found.end
    if (isDate(words)) {
      const pattern = scanPattern(text, at)
      words.push(pattern.word)
      at = pattern.end
    }
  }
}

// `date` as what the slot holds: what follows is a pattern and not words.
const isDate = (words: readonly Word[]): boolean => {
  const own = words.filter(({ kind }) => kind !== 'name')
  return own.length === 1 && own[0]!.kind === 'word' && own[0]!.text === 'date'
}

//  {date d MMMM yyyy, locale fr}
//        ^ at       ^ end; inside '…' a comma or brace is text
function scanPattern(text: string, start: number): { word: Word; end: number } {
  let at = start
  while (text[at] === ' ' || text[at] === '\t') at++
  const from = at
  let quoted = false
  while (at < text.length && (quoted || (text[at] !== ',' && text[at] !== '}'))) {
    if (text[at] === "'") quoted = !quoted
    at++
  }
  const pattern = text.slice(from, at).trimEnd()
  return { word: { kind: 'pattern', text: pattern, at: from }, end: at }
}

function scanWord(
  text: string,
  at: number,
  first: boolean,
): { word: Word; end: number } | undefined {
  const rest = text.slice(at)
  const name = first && /^\p{L}[\p{L}\d_-]*:/u.exec(rest)
  if (name)
    return { word: { kind: 'name', text: name[0].slice(0, -1), at }, end: at + name[0].length }
  const count = /^(\d+)(\.\.(\d*))?/.exec(rest)
  if (count) {
    const max = count[2] === undefined ? count[1]! : count[3] || null
    return { word: { kind: 'count', min: count[1]!, max, at }, end: at + count[0].length }
  }
  const word = /^\p{L}[\p{L}\d_/-]*/u.exec(rest)
  return word ? { word: { kind: 'word', text: word[0], at }, end: at + word[0].length } : undefined
}

function scanQuoted(text: string, start: number): { word: Word; end: number } {
  let out = ''
  for (let at = start + 1; at < text.length; at++) {
    const char = text[at]!
    if (char === '"') {
      return {
        word: { kind: 'quoted', text: out, raw: text.slice(start, at + 1), at: start },
        end: at + 1,
      }
    }
    const next = text[at + 1]
    if (char === '\\' && (next === '"' || next === '\\')) at++
    out += text[at]
  }
  throw new MaskError(text, problems.quoteOpen(text, start))
}
