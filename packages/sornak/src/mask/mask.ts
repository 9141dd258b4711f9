// A mask from its text: scan, parse, check, compile. Showing and reading are views of one plain
// value and never change it.

import { check } from './check.js'
import { compile, type Program } from './compile.js'
import { outline, phrases } from './explain.js'
import { useParser } from './messages.js'
import type { Read, Shown } from './misfit.js'
import { parse } from './parse.js'
import { print } from './print.js'
import { MaskError, type MaskProblem } from './problem.js'
import { read, partsOf, type ReadOptions } from './read.js'
import { canon, show, type Given } from './show.js'
import type { Node } from './tree.js'

export interface Mask {
  /** The mask text, as given. */
  readonly text: string
  readonly nodes: readonly Node[]
  /**
   * Shows a plain value: the characters that fill the slots, without separators.
   * A value that does not fit gives a misfit; nothing is cut, moved or squeezed in.
   */
  show(value: Given): Shown
  /** Reads shown text back to its plain value. Linear in the length of the text. */
  read(text: string, options?: ReadOptions): Read
  /** The plain value with padding and case as the mask keeps them: `read(show(value))`. */
  canon(value: Given): Read
  /** The named parts of a text that fits strictly. */
  parts(text: string): ReadonlyMap<string, string> | undefined
  /** The shortest text of this mask. */
  print(): string
  /** The mask in plain words. */
  explain(): string
  /** What the mask looks like before anything is typed. */
  readonly outline: string
  readonly program: Program
}

/**
 * A mask from its text.
 *
 * @param text the notation of docs/masks.md: text stands for itself, slots stand in braces
 * @throws {MaskError} with the place, what was expected and a corrected example
 * @example
 * const phone = mask('({3}) {3}-{4}')
 * phone.show('2065550142')   // { ok: true, text: '(206) 555-0142' }
 * phone.read('206.555.0142') // { ok: true, plain: '2065550142', strict: false }
 */
export function mask(text: string): Mask {
  const nodes = parse(text)
  check(text, nodes)
  const program = compile(nodes)
  return {
    text,
    nodes,
    program,
    show: (value) => show(program, value),
    read: (shown, options) => read(program, shown, options),
    canon(value) {
      const held = canon(program, value)
      return held.ok ? { ...held, strict: true } : held
    },
    parts: (shown) => partsOf(program, shown),
    print: () => print(nodes),
    explain: () => `${sentence(phrases(nodes).join('; then '))}.`,
    outline: outline(nodes),
  }
}

/** The mask, or why the text is not one, without throwing. */
export function tryMask(
  text: string,
):
  | { readonly ok: true; readonly mask: Mask }
  | { readonly ok: false; readonly problem: MaskProblem } {
  try {
    return { ok: true, mask: mask(text) }
  } catch (error) {
    if (error instanceof MaskError) return { ok: false, problem: error.problem }
    throw error
  }
}

// Corrected examples are offered only where they are well formed themselves. While one is being
// tried no further examples are made.
let trying = false
useParser((text) => {
  if (trying) return true
  trying = true
  try {
    return tryMask(text).ok
  } finally {
    trying = false
  }
})

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
