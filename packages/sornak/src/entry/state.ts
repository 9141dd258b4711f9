// What a field holds at one moment, and what can be done to it. How characters find their places is
// decided by a `Typing` (characters.ts, quantity.ts); how edits move the caret, in edit.ts.

/** Why an edit was refused, or why what stands there does not fit. */
export interface Reason {
  readonly code:
    | 'wrong-character'
    | 'full'
    | 'separator'
    | 'put-right'
    | 'does-not-fit'
    | 'nothing-there'
    | 'check-digit'
    | 'reserved'
    | 'no-such-day'
  /** UTF-16 offset into the text of the field. */
  readonly at: number
  /** One sentence that a screen reader can speak; it never quotes the whole value. */
  readonly message: string
}

/**
 * - `empty`: nothing was typed;
 * - `partial`: all fits so far, and more is needed;
 * - `complete`: a whole value; more may still be possible;
 * - `misfit`: something stands there that does not fit; nothing of it was cut.
 */
export type Status = 'empty' | 'partial' | 'complete' | 'misfit'

/** Characters of the value, and separators that were typed though they would have come by themselves. */
export interface Raw {
  readonly chars: readonly string[]
  /** Typed before the first character: tells masks apart that begin differently. */
  readonly lead: string
  /** Typed behind the last character. */
  readonly after: string
  /** Filled in from elsewhere and not readable: stands as it came until it is put right. */
  readonly asGiven?: true
}

export const NOTHING: Raw = { chars: [], lead: '', after: '' }

/** What characters look like in the field. Offsets are in UTF-16 units. */
export interface Rendered {
  readonly text: string
  /** Where each character begins; one more for what comes next. */
  readonly starts: readonly number[]
  /** Where each character ends. */
  readonly ends: readonly number[]
  /** The value without separators; as its mask keeps it once it is complete. */
  readonly plain: string
  readonly status: Status
  /** What comes next, in plain words; empty where nothing can. */
  readonly expected: string
  /** What is still to be typed, drawn: `_` for each character, separators as they are. */
  readonly rest: string
  /** Which masks of the list the value fits, or may still come to fit. */
  readonly fits: readonly number[]
  /** Why it does not fit. */
  readonly problem?: Reason
}

/** The character engine or the number engine behind a field. */
export interface Typing {
  render(raw: Raw): Rendered
  /** One character at an index between characters, the caret at `offset` of the text. */
  type(raw: Raw, at: number, char: string, offset: number, before: Raw): Typed
  /** A whole text: pasted, filled in, restored. Undefined where not all of it fits. */
  read(text: string): Raw | undefined
  /** What stands there when the field is left: whole values as their mask shows them. */
  left(raw: Raw): { readonly raw: Raw; readonly rendered: Rendered }
  readonly inputMode: 'numeric' | 'decimal' | 'tel' | 'text'
}

export type Typed =
  | { readonly ok: true; readonly raw: Raw; readonly at: number }
  /** A separator that stands there already was typed: only the caret moves. */
  | { readonly ok: true; readonly move: number }
  | { readonly ok: false; readonly reason: Reason }

export interface State extends Rendered {
  readonly raw: Raw
  /** The selection, in UTF-16 units of the text; equal for a caret. */
  readonly from: number
  readonly to: number
  /** `text` and behind it what is still to be typed. */
  readonly outline: string
  /** Why the last edit was refused; it changed nothing. */
  readonly refused?: Reason
  /** What undo brings back, and redo, the next one last. */
  readonly past?: State
  readonly future: readonly State[]
}

/** Edits at the caret, or in place of the selection. */
export type Edit =
  | { readonly kind: 'type' | 'paste'; readonly text: string }
  | {
      readonly kind: 'delete'
      readonly to?: 'back' | 'forward'
      readonly by?: 'character' | 'word' | 'line'
    }
  | { readonly kind: 'cut' }
  | { readonly kind: 'select'; readonly from: number; readonly to?: number }
  /** The whole text from elsewhere: filled in by the browser, restored, set by a program. */
  | { readonly kind: 'set'; readonly text: string }
  /** The field is left: what is complete is shown as its mask shows it. */
  | { readonly kind: 'leave' }
  | { readonly kind: 'undo' | 'redo' }
