// A state and an edit make a new state. Selections are turned from offsets of the text into indices
// between characters and back, so that separators may come and go without moving the caret.
//
//   (206) 5|     Backspace    (206|          the separator went with the digit that needed it
//   12|34        Backspace    1|34
//   (206|) 555   Delete       (206|) 55

import { cleaned } from './clean.js'
import { reasons } from './reasons.js'
import {
  NOTHING,
  type Edit,
  type Raw,
  type Reason,
  type Rendered,
  type State,
  type Typing,
} from './state.js'

export function started(typing: Typing): State {
  return stateOf(typing.render(NOTHING), NOTHING, 0)
}

export function edited(typing: Typing, state: State, edit: Edit): State {
  switch (edit.kind) {
    case 'select': {
      const from = clamp(edit.from, state)
      return without({ ...state, from, to: Math.max(from, clamp(edit.to ?? from, state)) })
    }
    case 'undo':
    case 'redo':
      return travelled(state, edit.kind === 'redo')
    case 'leave': {
      const { raw, rendered } = typing.left(state.raw)
      // Where the text stays there is nothing to undo.
      const same = rendered.text === state.text
      const left = stateOf(rendered, raw, rendered.text.length, same ? state.past : state)
      return same ? { ...left, future: state.future } : left
    }
    case 'set':
      return set(typing, state, edit.text)
    case 'type':
    case 'paste':
      return inserted(typing, state, edit.text)
    case 'cut':
      return state.from < state.to
        ? removed(typing, state, state.from, state.to)
        : refused(state, reasons.nothing(state.from, 'delete'))
    case 'delete':
      return deleted(typing, state, edit.to ?? 'back', edit.by ?? 'character')
  }
}

// What was filled in stands there even where it does not fit: nothing of it is cut.
function set(typing: Typing, state: State, text: string): State {
  const raw = typing.read(text) ?? asGiven(cleaned(text))
  return changed(typing, state, raw, raw.chars.length, false)
}

const asGiven = (text: string): Raw => ({ ...NOTHING, chars: [...text], asGiven: true })

// What does not fit is put right as plain text, until it can be read.
function putRight(typing: Typing, state: State, text: string, from: number, to: number): State {
  const next = state.text.slice(0, from) + text + state.text.slice(to)
  const raw = typing.read(next)
  if (!raw && text !== '') return refused(state, reasons.putRight(from, state.expected))
  const tail = [...state.text.slice(to)].length
  const made = raw ?? asGiven(next)
  return changed(typing, state, made, Math.max(0, made.chars.length - tail), false)
}

function inserted(typing: Typing, state: State, text: string): State {
  const { from, to } = state
  const clean = cleaned(text)
  if (clean === '') return from < to ? removed(typing, state, from, to) : without(state)
  const whole = from === 0 && to >= state.text.length
  const several = [...clean].length > 1
  if (whole && several) {
    const raw = typing.read(clean)
    if (raw) return changed(typing, state, raw, raw.chars.length, false)
  }
  if (state.raw.asGiven) return putRight(typing, state, clean, from, to)
  const [start, end] = indices(state, from, to)
  const before = state.raw
  let raw = from < to ? cut(state, from, to) : before
  let at = start
  let offset = from < to ? typing.render(raw).starts[at]! : from
  let moved: number | undefined
  for (const char of clean) {
    const typed = typing.type(raw, at, char, offset, before)
    if (!typed.ok) {
      const composed =
        several && typing.read(state.text.slice(0, from) + clean + state.text.slice(to))
      if (composed) {
        const tail = state.raw.chars.length - end
        return changed(typing, state, composed, composed.chars.length - tail, false)
      }
      const { reason } = typed
      return refused(state, several ? reasons.noFit(from, reason.message) : reason)
    }
    if ('move' in typed) offset = moved = typed.move
    else {
      raw = typed.raw
      at = typed.at
      moved = undefined
      if (several) offset = caretBehind(typing.render(raw), at)
    }
  }
  if (raw === before) return without({ ...state, from: moved ?? from, to: moved ?? from })
  return changed(typing, state, raw, at, false, moved)
}

function deleted(
  typing: Typing,
  state: State,
  to: 'back' | 'forward',
  by: 'character' | 'word' | 'line',
): State {
  if (state.from < state.to) return removed(typing, state, state.from, state.to)
  const { raw, starts, ends } = state
  const [at] = indices(state, state.from, state.from)
  const back = to === 'back'
  const typed = raw.chars.length ? 'after' : 'lead'
  // What was typed of a separator goes before the character that stands in front of it.
  if (back && by === 'character' && at === raw.chars.length && raw[typed])
    return changed(
      typing,
      state,
      { ...raw, [typed]: [...raw[typed]].slice(0, -1).join('') },
      at,
      false,
    )
  if (back && at === 0) {
    // In front of all characters only the beginning that was typed can go.
    if (!raw.lead) return refused(state, reasons.nothing(state.from, 'delete'))
    return changed(typing, state, { ...raw, lead: '' }, 0, true)
  }
  if (!back && at === raw.chars.length) return refused(state, reasons.nothing(state.from, 'delete'))
  let [from, until] = back ? [at - 1, at] : [at, at + 1]
  const joined = (i: number) => starts[i] === ends[i - 1]
  if (by === 'word' && back) while (from > 0 && joined(from)) from--
  if (by === 'word' && !back) while (until < raw.chars.length && joined(until)) until++
  if (by === 'line') [from, until] = back ? [0, at] : [at, raw.chars.length]
  const behind = !back && state.from <= (ends[at - 1] ?? 0)
  if (raw.asGiven) return putRight(typing, state, '', starts[from]!, ends[until - 1]!)
  const until_ = until === raw.chars.length ? state.text.length : starts[until]!
  const first = by === 'line' && from === 0 ? 0 : starts[from]!
  return changed(typing, state, cut(state, first, until_), from, !behind)
}

function removed(typing: Typing, state: State, from: number, to: number): State {
  if (state.raw.asGiven) return putRight(typing, state, '', from, to)
  const [start, end] = indices(state, from, to)
  const raw = cut(state, from, to)
  if (start === end && raw.after === state.raw.after && raw.lead === state.raw.lead)
    return refused(state, reasons.nothing(from, 'delete'))
  return changed(typing, state, raw, start, start > 0 ? from > (state.ends[start - 1] ?? 0) : true)
}

// What was typed of the mask's own text goes with what it stands beside.
function cut(state: State, from: number, to: number): Raw {
  const { raw, text } = state
  const [start, end] = indices(state, from, to)
  const chars = [...raw.chars.slice(0, start), ...raw.chars.slice(end)]
  const front = start === 0 && from === 0 && to > 0 && to >= raw.lead.length
  const back = to >= text.length && from < to
  return { chars, lead: front ? '' : raw.lead, after: back ? '' : raw.after }
}

function travelled(state: State, again: boolean): State {
  const to = again ? state.future.at(-1) : state.past
  if (!to) return refused(state, reasons.nothing(state.from, again ? 'do again' : 'undo'))
  return { ...to, future: again ? state.future.slice(0, -1) : [...state.future, without(state)] }
}

/** @param atNext the caret stands before the next character instead of behind the last one */
function changed(
  typing: Typing,
  state: State,
  raw: Raw,
  at: number,
  atNext: boolean,
  moved?: number,
): State {
  const rendered = typing.render(raw)
  const caret = moved ?? (atNext ? rendered.starts[at]! : caretBehind(rendered, at))
  return stateOf(rendered, raw, caret, state)
}

const caretBehind = ({ starts, ends }: Rendered, at: number) =>
  at === 0 || at === ends.length ? starts[at]! : ends[at - 1]!

function refused(state: State, refusedFor: Reason): State {
  return { ...state, refused: refusedFor }
}

function without(state: State): State {
  const { refused: _, ...rest } = state
  return rest
}

function stateOf(rendered: Rendered, raw: Raw, caret: number, before?: State): State {
  const outline = rendered.text + rendered.rest
  const past = before && { past: without(before) }
  return { ...rendered, raw, from: caret, to: caret, outline, ...past, future: [] }
}

const clamp = (offset: number, { text }: State) => Math.min(Math.max(0, offset), text.length)

/** Characters that lie wholly before each offset. */
function indices({ starts, ends }: Rendered, from: number, to: number): [number, number] {
  const start = ends.filter((end) => end <= from).length
  return [start, Math.max(start, ends.filter((_, i) => starts[i]! < to).length)]
}
