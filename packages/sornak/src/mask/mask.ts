// A mask from its text: scan, parse, check, compile. Showing and reading are views of one plain
// value and never change it.

import { check } from './check.js'
import { compile, type Program } from './compile.js'
import {
  canonComposite,
  needsRecord,
  readComposite,
  showComposite,
  type Fields,
} from './composite.js'
import { outline, phrases } from './explain.js'
import { useParser } from './messages.js'
import type { Read, Shown } from './misfit.js'
import { parse } from './parse.js'
import { print } from './print.js'
import { MaskError, type MaskProblem } from './problem.js'
import { partsOf, read, type ReadOptions } from './read.js'
import { canon, show, type Given } from './show.js'
import { canonSingle, readSingle, showSingle, singleOf } from './single.js'
import { everySlot, type Node } from './tree.js'

export interface Mask {
  /** The mask text, as given. */
  readonly text: string
  /** What fills it: characters, one number, one date, or the fields of a record. */
  readonly kind: 'characters' | 'number' | 'date' | 'composite'
  readonly nodes: readonly Node[]
  /**
   * Shows a plain value: the characters that fill the slots, without separators; for a number an exact
   * decimal, for a date ISO 8601 text, for a composite a record of fields.
   * A value that does not fit gives a misfit; nothing is cut, moved or squeezed in.
   */
  show(value: Given | Fields): Shown
  /** Reads shown text back to its plain value. Linear in the length of the text. */
  read(text: string, options?: ReadOptions): Read
  /** The plain value as the mask keeps it, padded, cased, rounded: `read(show(value))`. */
  canon(value: Given | Fields): Read
  /** The named parts of a text that fits strictly. */
  parts(text: string): ReadonlyMap<string, string> | undefined
  /** The shortest text of this mask. */
  print(): string
  /** The mask in plain words. */
  explain(): string
  /** What the mask looks like before anything is typed. */
  readonly outline: string
  /** Character masks only; empty for a number or a date. */
  readonly program: Program
}

export interface MaskOptions {
  /** The locale that `locale reader` stands for (BCP 47). Without it, the platform's. */
  readonly reader?: string
}

/**
 * A mask from its text.
 *
 * @param text the notation of docs/masks.md: text stands for itself, slots stand in braces
 * @throws {MaskError} with the place, what was expected and a corrected example
 * @example
 * mask('({3}) {3}-{4}').show('2065550142') // { ok: true, text: '(206) 555-0142' }
 * mask('({3}) {3}-{4}').read('206.555.0142') // { ok: true, plain: '2065550142', strict: false }
 */
export function mask(text: string, { reader }: MaskOptions = {}): Mask {
  const nodes = parse(text)
  check(text, nodes)
  const shared = {
    text,
    nodes,
    program: compile(nodes),
    print: () => print(nodes),
    explain: () => `${sentence(phrases(nodes).join('; then '))}.`,
    outline: outline(nodes),
  }
  const slot = everySlot(nodes)[0]!
  if (slot.kind !== 'slot') return { ...shared, ...holdingOne(singleOf(nodes, slot), reader) }
  return {
    ...shared,
    ...(slot.from === undefined ? characters(shared.program) : fields(shared.program)),
  }
}

type Ways = Pick<Mask, 'kind' | 'show' | 'read' | 'canon' | 'parts'>

function characters(program: Program): Ways {
  return {
    kind: 'characters',
    show: (value) => show(program, value as Given),
    read: (shown, options) => read(program, shown, options),
    canon(value) {
      const held = canon(program, value as Given)
      return held.ok ? { ...held, strict: true } : held
    },
    parts: (shown) => partsOf(program, shown),
  }
}

function fields(program: Program): Ways {
  return {
    kind: 'composite',
    show: (value) =>
      typeof value === 'object' ? showComposite(program, value) : needsRecord(program, `${value}`),
    read: (shown, options = {}) => readComposite(program, shown, options),
    canon: (value) =>
      typeof value === 'object' ? canonComposite(program, value) : needsRecord(program, `${value}`),
    parts: (shown) => partsOf(program, shown),
  }
}

function holdingOne(single: ReturnType<typeof singleOf>, reader: string | undefined): Ways {
  const { name, kind } = single.slot
  return {
    kind,
    show: (value) => showSingle(single, value as Given, reader),
    read: (shown, options = {}) => readSingle(single, shown, options, reader),
    canon: (value) => canonSingle(single, value as Given, reader),
    parts(shown) {
      const found = readSingle(single, shown, { strict: true }, reader)
      return found.ok ? new Map(name === undefined ? [] : [[name, found.plain]]) : undefined
    },
  }
}

/** The mask, or why the text is not one, without throwing. */
export function tryMask(
  text: string,
  options?: MaskOptions,
):
  | { readonly ok: true; readonly mask: Mask }
  | { readonly ok: false; readonly problem: MaskProblem } {
  try {
    return { ok: true, mask: mask(text, options) }
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
