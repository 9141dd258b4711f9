// Records in which another column is damaged: what the values of this column that fit say there, held against
// what they say elsewhere. Rows that went through a program together were damaged together, and not every value
// shows it by itself. What two parts count adds up to what the whole counts.

import type { Definition } from '../identifier/definition.js'
import { spaceOf } from '../identifier/space.js'
import type { EvidenceState } from './evidence/evidence-state.js'
import { settled } from './evidence/joined-evidence.js'
import { printsRound } from './evidence/process-channel.js'
import { UNIT } from './evidence/process.js'
import { processesOf } from './evidence/processes.js'
import type { Lift } from './ways/scales.js'
import { BESIDE_BITS } from './ways/weights.js'

export interface BesideEvidence {
  /** A value that fits, and the columns whose values in the same record do not. */
  fits(bytes: Uint8Array, start: number, end: number, damaged: readonly number[]): void
  state(): BesideState
}

/** What stands beside the damaged values of each other column, by its index. */
export type BesideState = ReadonlyMap<number, Beside>

interface Beside {
  /** Values that fit, and those of them that start with a zero. */
  readonly rows: number
  readonly zeros: number
  /** For each process that rounds. */
  readonly rounded: readonly Rounded[]
}

interface Rounded {
  readonly process: string
  /** Values that it could have printed, and those that it does not change. */
  readonly could: number
  readonly untouched: number
  /** The chances of the first to be such by accident, added up, in millionths. */
  readonly chances: number
  /** The least of those it could have printed: one value again and again is no evidence. */
  readonly least: readonly string[]
}

const MILLION = 1_000_000
/** So many different values must speak for a process. */
const FEW = 8

/** @param from what the records before have said */
export function besideEvidence(definition: Definition, from?: BesideState): BesideEvidence {
  const rounding = processesOf(definition).filter(({ rounds, id }) => rounds && !printsRound(id))
  const known = new Map<number, Beside>(from)
  return {
    fits(bytes, start, end, damaged) {
      const one: Beside = {
        rows: 1,
        zeros: end - start > 1 && bytes[start] === 48 ? 1 : 0,
        rounded: rounding.map(({ id, fits }) => {
          const score = fits!(bytes, start, end)
          const could = score > 0
          const least = could ? [String.fromCharCode(...bytes.subarray(start, end))] : []
          return {
            process: id,
            could: could ? 1 : 0,
            untouched: score === 0 ? 1 : 0,
            chances: could ? Math.ceil(MILLION * 2 ** (-score / UNIT)) : 0,
            least,
          }
        }),
      }
      for (const column of damaged) known.set(column, added(known.get(column), one))
    },
    state: () => new Map(known),
  }
}

/** What two parts of the rows count together. */
export function joinedBeside(a: BesideState, b: BesideState): BesideState {
  const all = new Map(a)
  for (const [column, one] of b) all.set(column, added(all.get(column), one))
  return all
}

function added(a: Beside | undefined, b: Beside): Beside {
  if (!a) return b
  return {
    rows: a.rows + b.rows,
    zeros: a.zeros + b.zeros,
    rounded: a.rounded.map((one, i) => {
      const other = b.rounded[i]!
      return {
        process: one.process,
        could: one.could + other.could,
        untouched: one.untouched + other.untouched,
        chances: one.chances + other.chances,
        least: leastOf(one.least, other.least),
      }
    }),
  }
}

function leastOf(a: readonly string[], b: readonly string[]): readonly string[] {
  const [last] = a.slice(-1)
  if (b.length === 0 || (a.length === FEW && b.every((text) => text >= last!))) return a
  return [...new Set([...a, ...b])].sort().slice(0, FEW)
}

/** A column beside whose damaged values those of this one were converted too. */
export interface Companion {
  /** Its index. */
  readonly column: number
  /** The process that the values speak for most, and its evidence in bits. */
  readonly process: string
  readonly bits: number
  /** What the rows say of each process. */
  readonly lift: Lift
  /** The share of the values there that went through it: 0 to 1. */
  readonly struck: number
  /** Values there that look as if they had, of all values there, and the share of such values elsewhere. */
  readonly alike: number
  readonly rows: number
  readonly elsewhere: number
}

type Said = Omit<Companion, 'column' | 'lift'>

/** Columns whose damage goes with that of this one, the one that says most first. */
export function companions(
  definition: Definition,
  state: BesideState,
  evidence: EvidenceState,
): Companion[] {
  const { sums, ...whole } = settled(definition, evidence)
  const processes = processesOf(definition)
  const { widths } = spaceOf(definition)
  // Where there is one width, values that lost a zero do not fit any more and show it by themselves.
  const hidesZeros = definition.zeros === 'significant' && widths.length > 1
  const found = [...state].flatMap(([column, { rows, zeros, rounded }]): Companion[] => {
    const said = rounded.flatMap(({ process, could, untouched, chances, least }): Said[] => {
      if (least.length < FEW) return []
      const i = processes.findIndex(({ id }) => id === process)
      const here = rows - untouched
      const others = sums.fits - whole.untouched[i]! - here
      return heldAgainst(process, could, here, whole.could[i]! - could, others, {
        chance: chances / MILLION / could,
      })
    })
    if (hidesZeros)
      said.push(
        ...heldAgainst(
          'number-read',
          rows - zeros,
          rows,
          sums.fits - rows - (sums.zeros - zeros),
          sums.fits - rows,
          // Many columns have no such values at all.
          { chance: 0, before: 1 },
        ),
      )
    const by = new Map(said.map(({ process, bits }) => [process, bits]))
    const [most] = said.sort((a, b) => b.bits - a.bits)
    return most && most.bits >= BESIDE_BITS && most.struck >= LEAST_STRUCK
      ? [{ column, ...most, lift: (process) => by.get(process) ?? 0 }]
      : []
  })
  return found.sort((a, b) => b.bits - a.bits)
}

// Whether values that look like what a process prints are more frequent here than elsewhere, and than chance has it.
function heldAgainst(
  process: string,
  alike: number,
  rows: number,
  others: number,
  elsewhere: number,
  { chance, before = chance }: { readonly chance: number; readonly before?: number },
): Said[] {
  // Where hardly any stands elsewhere, the column says by itself what its rows have in common.
  if (elsewhere < FAITH) return []
  const usual = Math.max(chance, (others + FAITH * before) / (elsewhere + FAITH))
  const share = alike / rows
  if (!(share > usual)) return []
  const missing = share === 1 ? 0 : (1 - share) * Math.log2((1 - share) / (1 - usual))
  return [
    {
      process,
      bits: Math.floor(rows * (share * Math.log2(share / usual) + missing)),
      struck: (share - usual) / (1 - usual),
      alike,
      rows,
      elsewhere: usual,
    },
  ]
}

/** No population is quite even: of many rows, a small surplus says nothing. */
const LEAST_STRUCK = 0.1
/** What is expected before other rows are seen counts as much as so many of them. */
const FAITH = 20
