// Typing dates in digits. A pattern becomes a character mask; what it says is a date or not is asked of the
// mask itself once all fields are there.

import type { Mask } from '../mask/mask.js'
import { singleOf } from '../mask/single.js'
import type { DateSlot, Node } from '../mask/tree.js'
import { simulated, typing } from './characters.js'
import { cleaned } from './clean.js'
import { reasons } from './reasons.js'
import type { Raw, Rendered, Typed, Typing } from './state.js'
import { written } from './written.js'

export function dateTyping(mask: Mask, slot: DateSlot): Typing {
  const { before, after } = singleOf(mask.nodes, slot)
  const nodes: Node[] = before ? [{ kind: 'literal', text: before, at: -1 }] : []
  slot.date.fields.forEach((field, at) => {
    if (field.kind === 'text') nodes.push({ kind: 'literal', text: field.text, at })
    else if ('digits' in field) {
      const max =
        field.digits === 'four' || (field.kind === 'year' && field.digits === 'any') ? 4 : 2
      const min = field.digits === 'any' ? 1 : max
      const pad = field.digits === 'two' && field.kind !== 'year' ? { pad: '0' } : {}
      nodes.push({ kind: 'slot', min, max, chars: { kind: 'digit' }, at, end: at + 1, ...pad })
    } else
      throw new RangeError(
        `The pattern ${slot.date.text} writes names, which a field cannot guide. Give the field a pattern in digits, such as {date yyyy-MM-dd}.`,
      )
  })
  if (after) nodes.push({ kind: 'literal', text: after, at: -1 })
  const digits = typing(written([nodes], false, ''))

  function render(raw: Raw): Rendered {
    const rendered = digits.render(raw)
    const { status, text, rest } = rendered
    const drawn = outlined(rest, text)
    if (status !== 'complete') return { ...rendered, rest: drawn }
    const read = mask.read(text)
    if (read.ok) return { ...rendered, plain: read.plain }
    const { code, at, expected } = read.misfit
    const message =
      code === 'no-such-day'
        ? `There is no such day; ${expected} belongs there.`
        : reasons.kept(at, expected).message
    return { ...rendered, status: 'misfit', problem: { code: 'no-such-day', at, message } }
  }

  // The pattern itself says best what is missing: dd.MM.yyyy; letters stand in for digits not yet typed.
  const whole = mask.outline
  const outlined = (rest: string, text: string) =>
    whole.length === text.length + rest.length ? whole.slice(text.length) : rest

  // A date that is pasted in another notation of the same pattern is read as the mask reads it.
  function read(text: string): Raw | undefined {
    const clean = cleaned(text).trim()
    const found = mask.read(clean)
    const shown = found.ok ? mask.show(found.plain) : undefined
    return simulated(type, shown?.ok ? shown.text : clean) ?? digits.read(clean)
  }

  //  4_/__  then 2   ->  04/2_   42 is no month, so the 4 was one
  function type(raw: Raw, at: number, char: string, offset: number, before: Raw): Typed {
    const typed = digits.type(raw, at, char, offset, before)
    if (!typed.ok || !('raw' in typed)) return typed
    const wrong = impossible(typed.raw)
    if (!wrong) return typed
    const chars = [...raw.chars.slice(0, wrong.from), '0', ...raw.chars.slice(wrong.from)]
    const padded = at > wrong.from && digits.type({ ...raw, chars }, at + 1, char, offset, before)
    if (padded && padded.ok && 'raw' in padded && !impossible(padded.raw)) return padded
    const range = wrong.kind === 'month' ? '01 to 12' : '01 to 31'
    const message = `There is no such ${wrong.kind}; ${range} belongs here.`
    return { ok: false, reason: { code: 'no-such-day', at: offset, message } }
  }

  // Months and days of two digits that no calendar has.
  const places: { readonly kind: 'month' | 'day'; readonly from: number }[] = []
  let from = 0
  for (const field of slot.date.fields) {
    if (!('digits' in field)) continue
    if (field.digits === 'any') break
    if (field.kind !== 'year') places.push({ kind: field.kind, from })
    from += field.digits === 'four' ? 4 : 2
  }
  const impossible = ({ chars }: Raw) =>
    places.find(({ kind, from }) => {
      const two = chars.slice(from, from + 2).join('')
      return two.length === 2 && (two === '00' || two > (kind === 'month' ? '12' : '31'))
    })

  return { ...digits, render, type, read, left: (raw) => ({ raw, rendered: render(raw) }) }
}
