// Masks whose slots are filled from the fields of a record: pieces of several fields under one mask.

import { convert, kindWord } from './kinds.js'
import type { Program } from './compile.js'
import { fillClash, isLonger } from './frame.js'
import { misfit, type NoFit, type Read, type Shown } from './misfit.js'
import { plainOf, walk } from './walk.js'
import type { ReadOptions } from './read.js'
import { emit, fillsOf } from './show.js'
import type { Slot } from './tree.js'

/** Fields by name; a field that is missing or empty leaves its section out. */
export type Fields = Readonly<Record<string, string | bigint | undefined>>

export function showComposite(program: Program, record: Fields): Shown {
  const filled = fillFrom(program, record)
  if (!filled.ok) return filled
  const longer = program.slots.some((slot) => isLonger(filled.fills.get(slot) ?? '', slot))
  return {
    ok: true,
    text: emit(program.nodes, filled.fills, true),
    ...(longer && { longer: true }),
  }
}

/** Each field as far as the mask tells it: its first characters, or all of it. */
export function readComposite(
  program: Program,
  text: string,
  { strict = false }: ReadOptions,
): Read {
  const exact = walk(program.strict, 'strict', text)
  const varied = exact.ok || strict || !program.loose ? exact : walk(program.loose, 'loose', text)
  const walked = exact.ok ? exact : varied
  if (!walked.ok) return walked
  const fields: Record<string, string> = {}
  for (const [slot, held] of fillsOf(walked.last)) fields[slot.from!] ??= held
  return { ok: true, plain: plainOf(walked.last), strict: exact.ok, fields }
}

export function canonComposite(program: Program, record: Fields): Read {
  const filled = fillFrom(program, record)
  if (!filled.ok) return filled
  const plain = program.slots.map((slot) => filled.fills.get(slot) ?? '').join('')
  return { ok: true, plain, strict: true, fields: fieldsOf(program, filled.fills) }
}

/** The answer for a value that is no record. */
export function needsRecord(program: Program, given: string): NoFit {
  const names = [...new Set(program.slots.map((slot) => `"${slot.from}"`))].join(', ')
  return misfit('record-expected', given, 0, names, '')
}

function fieldsOf(program: Program, fills: ReadonlyMap<Slot, string>): Record<string, string> {
  const fields: Record<string, string> = {}
  for (const slot of program.slots) {
    const held = fills.get(slot)
    if (held !== undefined) fields[slot.from!] ??= held
  }
  return fields
}

function fillFrom(
  program: Program,
  record: Fields,
): { ok: true; fills: Map<Slot, string> } | NoFit {
  const fills = new Map<Slot, string>()
  const needed = new Set(neededSlots(program))
  for (const slot of program.slots) {
    const field = slot.from!
    const given = Object.hasOwn(record, field) ? record[field] : undefined
    if (given === undefined || given === '') {
      if (!needed.has(slot) || (given === '' && slot.min === 0)) continue
      return given === undefined
        ? misfit('field-missing', '', 0, field, '')
        : misfit('empty', '', 0, describe(slot), '')
    }
    if (typeof given !== 'string' && typeof given !== 'bigint')
      return misfit('not-text', `${given}`, 0, field, '')
    const filled = fillSlot(slot, `${given}`)
    if (!filled.ok) return filled
    fills.set(slot, filled.text)
  }
  return { ok: true, fills }
}

// Slots outside of sections: they must have characters.
function neededSlots({ nodes }: Program): Slot[] {
  return nodes.filter((node) => node.kind === 'slot')
}

function fillSlot(slot: Slot, given: string): { ok: true; text: string } | NoFit {
  const kept: string[] = []
  let at = 0
  for (const char of given) {
    if (kept.length === slot.max) {
      if (slot.first) break
      return misfit('too-long', given, at, 'the end')
    }
    const code = convert(slot.chars, char.codePointAt(0)!)
    if (code === undefined) return misfit('wrong-character', given, at, describe(slot))
    kept.push(String.fromCodePoint(code))
    at += char.length
  }
  const missing = slot.min - kept.length
  if (missing > 0) {
    if (slot.pad === undefined)
      return misfit('too-short', given, given.length, `${describe(slot)} in "${slot.from}"`)
    kept.unshift(...Array<string>(missing).fill(slot.pad))
  }
  const text = kept.join('')
  return fillClash(text, slot) ?? { ok: true, text }
}

function describe({ chars }: Slot): string {
  const word = kindWord(chars, false)
  return word.startsWith('one of') ? word : `a ${word}`
}
