// What the stories of short values add to what rows say of a process, or take away: whether these lost zeros, or another
// conversion explains them as well.

import type { Definition } from '../../identifier/definition.js'
import type { Space } from '../../identifier/space.js'
import type { Process } from '../evidence/process.js'
import type { Sums } from '../evidence/sums.js'
import type { ShortGroup } from '../short/group.js'
import { rivals, type Rivals } from '../short/rivals.js'
import { ofPart } from '../short/throughout.js'
import { STOPS } from '../ways/hypothesis.js'
import { RUN_BITS, TOGETHER } from '../ways/weights.js'
import { rarity } from './prior.js'
import type { Column, Rows } from './rows-between.js'

interface Known {
  /** A type shows by its minus signs. */
  readonly signed: (id: string, from: Sums, to: Sums) => boolean
  /** Those of a run are no exception to what all short values tell. */
  readonly mixed: boolean
}

/** What is to be said for each process, of which rows say so much. */
export function storiesSay(definition: Definition, column: Column, { signed, mixed }: Known) {
  const { space, processes, place, alike, everyShort } = column
  const ofAll = rivals(definition, everyShort)
  const cuts = processes.flatMap(({ id }) => (id.startsWith('cut-short') ? [id] : []))
  const fitsFrom = 10 ** (narrowestNumber(space) - 1)
  const read = place.get('number-read')
  const mayBeRead = ({ from, to }: Rows) => read === undefined || to.hits[read]! > from.hits[read]!
  const ofShort = (id: string, ofRun: Rivals | undefined, apart: boolean): number | undefined => {
    const own = ofRun?.(id)
    if (mixed && ofRun) return own
    // What an octal reader leaves alone is known from the rows between; all rows say no more where hardly any other is short.
    if (own !== undefined && apart && id.startsWith('octal')) return own
    const everywhere = ofAll(id)
    if (everywhere === undefined || own === undefined) return own ?? everywhere
    // That the rows of a run are an exception costs as much as any run: both where the whole column tells this
    // story, and where it does not.
    return everywhere > 0
      ? Math.max(own, Math.min(everywhere, own + RUN_BITS))
      : own - Math.min(RUN_BITS, -everywhere)
  }
  return (rows: Rows) => {
    const { from, to, short, isRun } = rows
    const ofRun = isRun ? rivals(definition, short) : undefined
    const told = (id: string) => ofShort(id, ofRun, short.apart)
    // By how much likelier it is that the rows were cut short than that they lost zeros.
    let cut: number | undefined
    const wereCut = () =>
      (cut ??= cuts.reduce((most, id) => Math.max(most, (told(id) ?? 0) - rarity(id)), 0))
    // A type that values suit which fit, in a run, is not as rare as one that folded a lone value. It takes away certainty, and
    // gives none.
    const inRun = (id: string, bits: number) =>
      isRun && alike && to.fits > from.fits && id.startsWith('wrapped')
        ? Math.max(bits, Math.min(ofPart(TOGETHER.wrapped, bits) + bits, rarity(id)))
        : bits
    return (i: number, said: number): number => {
      const { id } = processes[i]!
      const story = told(id)
      const octal = id.startsWith('octal')
      // Where no story is told of short values, all that can be said for octal digits is that they are no less likely,
      // unless there are many that lost zeros do not explain.
      const untold = octal && said <= RUN_BITS ? Math.min(said, rarity(id)) : said
      // Where several widths or a check digit leave no story of short values, that all lie far below the limit is told here.
      const far = alike && story !== undefined ? 0 : farBelow(processes[i]!, short, fitsFrom)
      if (story === undefined) return inRun(id, untold - far)
      // Such evidence takes away certainty, and gives none.
      const doubt = Math.min(octal ? story - wereCut() : story, rarity(id))
      // Of several widths it is not told how well all of it suits.
      if (id === STOPS && !alike) return Math.max(doubt, untold)
      // No value starts with the zeros of one that was cut, and little else says that they were, where they may have lost zeros.
      const unlikely =
        id.startsWith('cut-short') &&
        to.padded === from.padded &&
        story < rarity(id) &&
        mayBeRead(rows)
      if (octal || unlikely) return Math.max(doubt, Math.min(said, story))
      const bound =
        id.startsWith('cut-short') || (id.startsWith('wrapped') && !signed(id, from, to))
      return inRun(id, Math.max(doubt, bound ? said + Math.min(0, story) : said) - far)
    }
  }
}

// Bits that it says against a type in which they wrapped that none has as many digits as its limit: for each row where they lie
// all over what is left, and once where they are those of few blocks. Larger ones may fit from some number on.
function farBelow({ id, max }: Process, { values }: ShortGroup, fitsFrom: number): number {
  if (!id.startsWith('wrapped') || max === undefined || values.length === 0) return 0
  const digits = Math.max(...values.map(({ digits }) => digits.length))
  const range = Number(max + 1n) * (id.includes('uint') ? 1 : 2)
  const firsts = new Set(values.map(({ digits }) => digits[0]))
  const rows = firsts.size >= MANY_FIRSTS ? values.length : 1
  return rows * Math.max(0, Math.log2(Math.min(range, fitsFrom) / 10 ** digits))
}

/** Numbers of one block, or of a few, start with fewer digits. */
const MANY_FIRSTS = 5

// How many digits a number has at the least that fits as it is printed, with no zero in front.
const narrowestNumber = ({ layouts }: Space): number =>
  layouts.reduce(
    (least, { places }) =>
      places[0]?.chars.some((code) => code > 48 && code <= 57)
        ? Math.min(least, places.length)
        : least,
    Infinity,
  )
