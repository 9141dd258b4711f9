// Typing into character masks. Of several masks the first that takes what was typed is shown; separators
// come from it, and what was typed of them only tells masks apart and moves the caret.

import { isSeparator } from '../mask/separator.js'
import { plainly } from './as-given.js'
import { cleaned, plainer } from './clean.js'
import { layoutOf, passes, type Layout, type Way } from './layout.js'
import { reasons } from './reasons.js'
import { NOTHING, type Raw, type Reason, type Rendered, type Typed, type Typing } from './state.js'
import type { WrittenMasks } from './written.js'

export interface CharacterSettings {
  /** Why a whole value is not one after all; undefined where it is. */
  readonly judge?: (plain: string) => Pick<Reason, 'code' | 'message'> | undefined
  /** The plain value of a whole one, as its mask keeps it. */
  readonly keep?: (plain: string, mask: number) => string
}

interface Found {
  readonly mask: number
  readonly layout: Layout
  readonly way: Way
  readonly taken: number
  /** How far the text of the mask reaches that was typed before the first and behind the last character. */
  readonly lead: number
  readonly after: number
}

export function typing(
  { masks, mode, country }: WrittenMasks,
  { judge, keep }: CharacterSettings = {},
): Typing {
  const layouts = masks.map((one) => layoutOf(one))
  // A list settles on the length that a value has when the field is left.
  const wholeFirst = (raw: Raw) => {
    const all = layouts.map((_, mask) => find(raw, mask)).filter((one) => fitsWhole(one, raw))
    return all[0]
  }

  function find(raw: Raw, mask: number): Found | undefined {
    const layout = layouts[mask]!
    const { way, taken } = layout.follow(raw.chars)
    const start = layout.follow(NOTHING.chars).way
    const lead = reach(raw.lead, start)
    const after = taken && taken === raw.chars.length ? reach(raw.after, way) : 0
    if (lead === undefined || after === undefined) return undefined
    return { mask, layout, way, taken, lead, after }
  }

  const fitsWhole = (found: Found | undefined, { chars }: Raw): found is Found =>
    found !== undefined &&
    found.taken === chars.length &&
    chars.length > 0 &&
    found.layout.ending(found.way) !== undefined

  /** The mask that shows these characters: the first that takes all of them, else the one that takes most. */
  function shownBy(raw: Raw): Found {
    let best: Found | undefined
    for (let mask = 0; mask < layouts.length; mask++) {
      const found = find(raw, mask)
      if (!found) continue
      if (found.taken === raw.chars.length) return found
      if (!best || found.taken > best.taken) best = found
    }
    return best ?? find({ ...raw, lead: '', after: '' }, 0)!
  }

  /** @param left the field is left, and the value is whole in this mask */
  function render(raw: Raw, left?: number): Rendered {
    if (raw.asGiven)
      return plainly(raw.chars, layouts[0]!.expected(layouts[0]!.follow(NOTHING.chars).way))
    const { layout, way, taken, lead, after, mask } =
      (left !== undefined && find(raw, left)) || shownBy(raw)
    const starts: number[] = []
    const ends: number[] = []
    let text = ''
    const chars = raw.chars.map((char, i) => way.chars[i] ?? char)
    chars.forEach((char, i) => {
      starts.push((text += way.runs[i] ?? '').length)
      ends.push((text += char).length)
    })
    const count = chars.length
    const all = taken === count
    const ending = all ? layout.ending(way) : undefined
    // The text of the mask behind the last character stands there once nothing more can come.
    const closing = layout.open(way) ? undefined : ending
    const shown = closing?.length ?? (count ? after : lead)
    if (all) text += (closing ?? runFor(count ? raw.after : raw.lead, way)).slice(0, shown)
    starts.push(text.length)
    const plain = chars.join('')
    const expected = layout.expected(way)
    const fits = [...masks.keys()].filter((one) => find(raw, one)?.taken === count)
    const shared = { text, starts, ends, fits, expected, plain, rest: '' }
    if (!all) {
      return { ...shared, status: 'misfit', problem: reasons.kept(starts[taken]!, expected) }
    }
    const rest = layout.rest(way, shown)
    if (text === '') return { ...shared, status: 'empty', rest }
    // Text of the mask typed behind a whole value says that more will come.
    const goesOn = raw.after && text !== text.slice(0, ends.at(-1)) + (ending ?? '')
    const wholeIn = goesOn ? undefined : ending === undefined ? wholeFirst(raw)?.mask : mask
    const kept = wholeIn !== undefined && keep ? keep(plain, wholeIn) : plain
    const wrong = wholeIn === undefined ? undefined : judge?.(kept)
    // While more can come, what is there may still become right.
    const more = (one: number) => layouts[one]!.open(find(raw, one)!.way)
    if (wholeIn === undefined || (wrong && left === undefined && fits.some(more)))
      return { ...shared, status: 'partial', rest }
    return wrong
      ? { ...shared, status: 'misfit', plain: kept, problem: { ...wrong, at: text.length } }
      : { ...shared, status: 'complete', plain: kept, rest }
  }

  function type(raw: Raw, at: number, char: string, offset: number, before: Raw): Typed {
    const tried = typeExactly(raw, at, char, offset, before)
    if (tried.ok) return tried
    const other = plainer(char)
    const again = other === undefined ? tried : typeExactly(raw, at, other, offset, before)
    return again.ok ? again : tried
  }

  function typeExactly(raw: Raw, at: number, char: string, offset: number, before: Raw): Typed {
    const end = at === raw.chars.length
    if (end) {
      const typed = separatorAtEnd(raw, char)
      if (typed) return { ok: true, raw: typed, at: typed.chars.length }
    }
    // "A" could have begun the mask's own "AB"; with "C" behind it, it is a character of the value.
    if (raw.lead && !raw.chars.length && begins(raw)) {
      const value = { ...NOTHING, chars: [...raw.lead, char] }
      if (takenOf(value) === value.chars.length)
        return { ok: true, raw: value, at: value.chars.length }
    }
    const chars = [...raw.chars.slice(0, at), char, ...raw.chars.slice(at)]
    const wasMisfit = takenOf(before) < before.chars.length
    const next = { ...raw, chars, after: end ? '' : raw.after }
    const took = takenOf(next)
    if (took === chars.length || (wasMisfit && took > at))
      return { ok: true, raw: next, at: at + 1 }
    const move = throughSeparator(raw, at, char, offset)
    if (move !== undefined) return { ok: true, move }
    const front = raw.chars.slice(0, at)
    const { layout, way, taken } = shownBy({ ...raw, chars: front, after: '' })
    const expected = layout.expected(way)
    if (taken < at) return refuse(reasons.putRight(offset, expected))
    if (isSeparator(char) && expected) return refuse(reasons.separator(offset, char))
    // Where the character would do, those behind it have no room.
    if (!layout.open(way) || layout.follow([...front, char]).taken > at)
      return refuse(reasons.full(offset))
    return refuse(reasons.wrong(offset, char, expected))
  }

  const takenOf = (raw: Raw) => shownBy(raw).taken

  // Text of the mask, typed where it stands anyway: kept, so that it can be deleted again.
  function separatorAtEnd(raw: Raw, char: string): Raw | undefined {
    const key = raw.chars.length ? 'after' : 'lead'
    const typed = { ...raw, [key]: raw[key] + char }
    const goesOn = (one: Raw) =>
      layouts.some((_, mask) => (find(one, mask)?.taken ?? -1) === one.chars.length)
    if (goesOn(typed)) return typed
    // A separator says that a short number is as long as it will be: zeros fill it up.
    if (!raw.chars.length || !isSeparator(char)) return undefined
    const { layout, way, taken } = shownBy(raw)
    const pad = taken === raw.chars.length ? layout.padding(way) : undefined
    if (!pad) return undefined
    const chars = [...raw.chars.slice(0, pad.at), ...pad.fill, ...raw.chars.slice(pad.at)]
    const padded = { ...raw, chars, after: char }
    return goesOn(padded) ? padded : undefined
  }

  function begins(raw: Raw): boolean {
    const { way, lead } = shownBy(raw)
    return [...runFor(raw.lead, way).slice(lead)].some((char) => !isSeparator(char))
  }

  // (206|) 555   a bracket or space typed here goes through what stands there
  function throughSeparator(
    raw: Raw,
    at: number,
    char: string,
    offset: number,
  ): number | undefined {
    const { text, starts, ends } = render(raw)
    const from = at ? ends[at - 1]! : 0
    const run = text.slice(from, starts[at])
    const passed = passes(run, Math.max(0, offset - from), char)
    return passed === undefined ? undefined : from + passed
  }

  const simulate = (text: string) => simulated(type, text)

  function read(given: string): Raw | undefined {
    const text = cleaned(given).trim()
    if (text === '') return NOTHING
    const whole = (raw: Raw | undefined) =>
      raw && raw.chars.length && wholeFirst(raw) ? raw : undefined
    const typed = simulate(text)
    if (whole(typed)) return typed
    const local = withoutCountry(text, country)
    const bare = [...local].filter((char) => !isSeparator(char)).join('')
    for (const other of [text.replace(/^00/, '+'), `+${text}`, local, bare]) {
      const raw = whole(simulate(other))
      // A sign alone is no country.
      if (raw && (!other.startsWith('+') || raw.lead.length > 1)) return raw
    }
    return typed
  }

  function left(raw: Raw): { readonly raw: Raw; readonly rendered: Rendered } {
    const found = wholeFirst(raw)
    const kept = found && keep ? [...keep(raw.chars.join(''), found.mask)] : raw.chars
    const full = { ...raw, chars: kept }
    const next = found && find(full, found.mask)?.taken === kept.length ? full : raw
    return { raw: next, rendered: render(next, found?.mask) }
  }

  return { render, type, read, left, inputMode: mode }
}

/** All of a text must find its place, as if it were typed. */
export function simulated(type: Typing['type'], text: string): Raw | undefined {
  let raw = NOTHING
  for (const char of text) {
    const typed = type(raw, raw.chars.length, char, 0, raw)
    if (!typed.ok) return undefined
    if ('raw' in typed) raw = typed.raw
  }
  return raw
}

const refuse = (reason: Reason): Typed => ({ ok: false, reason })

/** How far the mask's text is passed by what was typed of it; undefined where that is something else. */
function reach(typed: string, way: Way): number | undefined {
  if (typed === '') return 0
  for (const { run } of way.onward) {
    const at = along(typed, run)
    if (at !== undefined) return at
  }
  return undefined
}

const runFor = (typed: string, way: Way): string =>
  way.onward.find(({ run }) => along(typed, run) !== undefined)?.run ?? ''

function along(typed: string, run: string): number | undefined {
  let at: number | undefined = 0
  for (const char of typed) {
    at = passes(run, at, char)
    if (at === undefined) return undefined
  }
  return at
}

function withoutCountry(text: string, country: string): string {
  if (!country) return text
  const found = /^(?:\+|00)\s*(.*)$/.exec(text)
  return found?.[1]?.startsWith(country) ? found[1].slice(country.length).trim() : text
}
