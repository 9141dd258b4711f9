// An entry mask on a plain <input>. Every change that a browser makes or is about to make becomes an edit of
// the mask's state, and the field shows that state: nothing else writes to it while it is attached.
//
// Most edits are caught before they happen (`beforeinput`, Input Events Level 2). What cannot be caught is
// let happen and compared with what stood there: composition, drag and drop, autofill, keyboards that send
// no events of their own.

import type { EntryMask } from '../entry/entry.js'
import type { Edit, State, Status } from '../entry/state.js'
import { changeBetween } from './change.js'
import { borrow } from './attributes.js'

export interface FieldOptions {
  /** What a form gets: the text as shown (default), the plain value, or the stored form. */
  readonly submit?: 'shown' | 'plain' | 'stored'
  /** What the browser may fill in (HTML `autocomplete`), such as `tel-national` or `cc-number`. */
  readonly autocomplete?: string
  /** Where reasons are said; a `role="status"` is made behind the field where it is left out. */
  readonly message?: HTMLElement
  /** What of a complete value is seen when the field is left, such as `•••• 1111`. */
  readonly hide?: (text: string) => string
  /** Called after every change of the state, also of the caret only. */
  readonly onChange?: (state: State) => void
}

export interface Field {
  readonly input: HTMLInputElement
  readonly state: State
  /** The plain value once it is complete; what was typed of it before. */
  readonly value: string
  /** The stored form of a complete value; undefined before. */
  readonly stored: string | undefined
  readonly status: Status
  /** Sets the whole text, as if it were filled in. */
  set(text: string): void
  /** Puts the input back as it was found; the text stays. */
  detach(): void
}

/**
 * Binds an entry mask to an input. The input keeps its own events; scripts read `value` and `status`.
 *
 * @throws {TypeError} where the input is of a type without selections, such as `number` or `email`
 */
export function bind(input: HTMLInputElement, mask: EntryMask, options: FieldOptions = {}): Field {
  if (!/^(?:text|tel|search|url|password)$/.test(input.type))
    throw new TypeError(`Use an input of type="text"; one of type="${input.type}" has no caret.`)
  const { submit = 'shown', hide } = options
  const page = input.ownerDocument
  const ending = new AbortController()
  let state = mask.start
  let composing = false
  /** The field is being written to: its own events are not edits. */
  let writing = false
  let hidden = false
  let left = true

  const message = options.message ?? page.createElement('span')
  if (!options.message) {
    message.setAttribute('role', 'status')
    message.className = 'sornak-message'
    // A reason that comes as the field is left must not come between the pointer and what it presses.
    message.style.cssText = 'position:absolute;pointer-events:none'
    input.after(message)
  }
  message.id ||= `sornak-${(made++).toString(36)}`
  const described = input.getAttribute('aria-describedby')
  const rightToLeft = page.defaultView?.getComputedStyle(input).direction === 'rtl'
  const giveBack = borrow(input, {
    inputmode: mask.inputMode,
    autocomplete: options.autocomplete ?? (hide ? 'off' : null),
    placeholder: input.placeholder || mask.start.outline,
    spellcheck: 'false',
    'aria-invalid': 'false',
    'data-status': state.status,
    autocapitalize: 'off',
    // A length that is too short would cut what is filled in.
    maxlength: undefined,
    'aria-describedby': described ? `${described} ${message.id}` : message.id,
    // Digits and separators keep their order on pages that are read from the right.
    ...(rightToLeft &&
      !input.dir && { dir: 'ltr', style: `${input.style.cssText};text-align:right` }),
  })

  const shown = () => (hidden ? hide!(state.text) : state.text)

  function apply(edit: Edit): void {
    state = mask.edit(state, edit)
    write()
  }

  function write(): void {
    const text = shown()
    const active = page.activeElement === input
    writing = true
    if (input.value !== text) {
      let told = false
      // Written as an edit, the browser keeps its undo entry enabled; what it undoes is decided here.
      if (active && !hidden) {
        input.select()
        told = page.execCommand(text ? 'insertText' : 'delete', false, text)
      }
      if (input.value !== text) {
        input.value = text
        told = false
      }
      if (!told) input.dispatchEvent(new Event('input', { bubbles: true }))
    }
    if (active) input.setSelectionRange(state.from, state.to)
    writing = false
    say()
    options.onChange?.(state)
  }

  function say(): void {
    const { status, problem, refused, expected } = state
    const missing = status === 'partial' ? `It is not complete yet; ${expected} is missing.` : ''
    const wrong = problem?.message ?? missing
    input.setCustomValidity(wrong)
    input.setAttribute('aria-invalid', `${status === 'misfit' || (left && status === 'partial')}`)
    input.dataset['status'] = status
    const text = refused?.message ?? problem?.message ?? (left ? missing : '')
    if (message.textContent !== text) message.textContent = text
  }

  /** What the browser has changed by itself. */
  function caught(whole: boolean): void {
    if (hidden || input.value === state.text) return
    if (whole) return apply({ kind: 'set', text: input.value })
    const { from, to, text } = changeBetween(state.text, input.value, input.selectionStart)
    // A separator that was deleted alone comes back; what stands before it goes.
    const one = text === '' && to - from === 1
    state = mask.edit(state, { kind: 'select', from: one ? to : from, to })
    apply(text ? { kind: 'paste', text } : { kind: 'delete' })
  }

  function before(event: InputEvent): void {
    if (writing || composing || event.isComposing) return
    const edit = editOf(event)
    if (!edit) return
    event.preventDefault()
    select()
    apply(edit)
  }

  const select = () => {
    const [from, to] = [input.selectionStart ?? 0, input.selectionEnd ?? 0]
    if (from !== state.from || to !== state.to)
      state = mask.edit(state, { kind: 'select', from, to })
  }

  function on<Type extends keyof HTMLElementEventMap>(
    type: Type,
    heard: (event: HTMLElementEventMap[Type]) => void,
  ): void {
    input.addEventListener(type, heard, { signal: ending.signal })
  }

  on('beforeinput', before)
  on('input', (event) => {
    if (writing || composing) return
    const { inputType } = event as InputEvent
    caught(!inputType || inputType === 'insertReplacementText')
  })
  on('compositionstart', () => (composing = true))
  on('compositionend', () => {
    composing = false
    // The last input event may still be to come.
    queueMicrotask(() => caught(false))
  })
  on('keydown', (event) => {
    const key = event.key.toLowerCase()
    if (!(event.ctrlKey || event.metaKey) || event.altKey || (key !== 'z' && key !== 'y')) return
    event.preventDefault()
    apply({ kind: key === 'y' || event.shiftKey ? 'redo' : 'undo' })
  })
  on('focus', () => {
    left = false
    if (!hidden) return say()
    hidden = false
    write()
  })
  on('blur', () => {
    left = true
    hidden = !!hide && state.status === 'complete'
    apply({ kind: 'leave' })
  })

  const form = (type: string, heard: (event: Event) => void) =>
    page.addEventListener(
      type,
      (event) => {
        if (event.target === input.form) heard(event)
      },
      { signal: ending.signal },
    )
  form('formdata', (event) => {
    if (input.name && !input.disabled)
      (event as FormDataEvent).formData.set(input.name, submitted())
  })
  // The browser resets after this event, and restores pages before this one.
  const afresh = () => {
    hidden = false
    state = mask.edit(mask.start, {
      kind: 'set',
      text: input.value.includes('•') ? '' : input.value,
    })
    write()
  }
  form('reset', () => setTimeout(afresh))
  page.defaultView?.addEventListener(
    'pageshow',
    () => {
      if (input.value !== shown()) afresh()
    },
    { signal: ending.signal },
  )

  // A form is sent by Enter too, without leaving the field.
  const settled = () => mask.edit(state, { kind: 'leave' }).text
  const storedNow = () => (state.status === 'complete' ? mask.stored(state.plain) : undefined)
  const submitted = () =>
    submit === 'plain' ? state.plain : (submit === 'stored' && storedNow()) || settled()

  if (input.value) state = mask.edit(state, { kind: 'set', text: input.value })
  left = page.activeElement !== input
  if (left) hidden = !!hide && state.status === 'complete'
  if (input.value !== shown()) write()
  else say()

  return {
    input,
    get state() {
      return state
    },
    get value() {
      return state.plain
    },
    get stored() {
      return storedNow()
    },
    get status() {
      return state.status
    },
    set: (text) => apply({ kind: 'set', text }),
    detach() {
      ending.abort()
      if (hidden) input.value = state.text
      giveBack()
      input.setCustomValidity('')
      if (!options.message) message.remove()
    },
  }
}

let made = 1

/** The edit that the browser is about to make; undefined where it is to make it itself. */
function editOf({ inputType, data, dataTransfer }: InputEvent): Edit | undefined {
  const found = /^delete(Content|Word|Soft|Hard|Entire|ByCut)\w*?(Forward)?$/.exec(inputType)
  if (found) {
    const [, what, forward] = found
    if (what === 'ByCut') return { kind: 'cut' }
    const by = what === 'Word' ? 'word' : what === 'Content' ? 'character' : 'line'
    return { kind: 'delete', to: forward ? 'forward' : 'back', by }
  }
  if (inputType === 'historyUndo') return { kind: 'undo' }
  if (inputType === 'historyRedo') return { kind: 'redo' }
  const text = data ?? dataTransfer?.getData('text/plain')
  if (text === undefined || text === null) return undefined
  if (inputType === 'insertText') return { kind: 'type', text }
  return /^insertFrom(?:Paste|Yank)/.test(inputType) ? { kind: 'paste', text } : undefined
}
