// One row of the form: label, input, what is still to be typed, what is stored, and the reason if anything
// is wrong.

import { hide, type Definition } from 'sornak'
import { attach, type Field, type State } from 'sornak/dom'
import type { Item } from './identifiers.js'

export interface Row {
  readonly item: Item
  readonly input: HTMLInputElement
  /** The value that is kept; undefined while it is not whole. */
  readonly stored: () => string | undefined
}

export function row(place: HTMLElement, item: Item, today: string): Row {
  const { name, label, hint } = item
  place.className = 'row'
  place.innerHTML = `
    <div class="head">
      <label for="${name}">${label}</label>
      <p class="hint" id="${name}-hint">${hint}</p>
    </div>
    <div class="typed">
      <div class="ghost" aria-hidden="true"><span></span><span></span></div>
      <input id="${name}" name="${name}" required aria-describedby="${name}-hint" autocomplete="${item.autocomplete}">
    </div>
    <div class="foot">
      <p class="reason" id="${name}-reason" role="status"></p>
      <p class="stored">stored as <output for="${name}">—</output></p>
    </div>`
  const find = <Kind extends Element>(selector: string) => place.querySelector<Kind>(selector)!
  const input = find<HTMLInputElement>('input')
  const output = find<HTMLOutputElement>('output')
  if (!item.of) {
    input.addEventListener('input', () => (output.textContent = input.value.trim() || '—'))
    return { item, input, stored: () => input.value.trim() || undefined }
  }
  const [typed, rest] = place.querySelectorAll<HTMLElement>('.ghost span')
  const reveal = item.secret ?? secretOf(item.of)

  const field: Field = attach(input, item.of, {
    message: find('.reason'),
    autocomplete: item.autocomplete,
    secret: reveal,
    onChange: drawn,
  })
  drawn(field.state)

  function drawn(state: State): void {
    // Before the first key the browser draws the outline itself, as a placeholder.
    typed!.textContent = state.text
    rest!.textContent = state.status === 'empty' ? '' : state.rest
    place.dataset['status'] = state.status
    const wrong = state.status === 'complete' ? item.judge?.(state.plain, today) : undefined
    const whole =
      state.status === 'complete' && !wrong ? storedText(item, state.plain, field?.stored) : '—'
    output.textContent = reveal && !item.forgotten ? hide(whole, { first: 0, ...reveal }) : whole
    if (!wrong) return
    input.setCustomValidity(wrong)
    input.setAttribute('aria-invalid', 'true')
    place.dataset['status'] = 'misfit'
    find('.reason').textContent = wrong
  }

  return {
    item,
    input,
    stored: () => (input.validity.valid ? storedText(item, field.value, field.stored) : undefined),
  }
}

const storedText = (item: Item, plain: string, stored: string | undefined) =>
  item.forgotten ? 'checked, not kept' : (stored ?? plain)

const secretOf = (of: object) =>
  'sensitivity' in of && (of as Definition).sensitivity === 'secret'
    ? { last: (of as Definition).reveal.last }
    : undefined
