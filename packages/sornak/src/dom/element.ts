// <sornak-field>: an input with its mask, for pages that are written and not programmed. The input lies in
// the page itself, not in a shadow tree, so that labels, forms and styles reach it as they reach any other.

import { fromCatalog } from '../identifier/catalog/catalog.js'
import { maskList } from '../mask/list.js'
import { attach } from './attach.js'
import type { Field, FieldOptions } from './bind.js'

/**
 * `mask` holds one mask, or several, a line each; `identifier` names a catalog entry instead. `submit`,
 * `autocomplete` and `secret` (how many characters stay visible) are as in `FieldOptions`. An input that
 * stands inside is used; else one is made, with the element's `name`, `value`, `required` and `aria-label`.
 */
export class SornakField extends HTMLElement {
  /** The field inside; undefined while the element is not on a page. */
  field: Field | undefined

  connectedCallback(): void {
    const input = this.querySelector('input') ?? this.appendChild(this.made())
    const [submit, autocomplete, secret] = ['submit', 'autocomplete', 'secret'].map((name) =>
      this.getAttribute(name),
    )
    const name = this.getAttribute('identifier')
    const known = name === null ? undefined : fromCatalog(name)
    if (name !== null && !known) throw new RangeError(`There is no catalog entry "${name}".`)
    const masks = (this.getAttribute('mask') ?? '').split('\n').map((text) => text.trim())
    this.field = attach(input, known ?? maskList(masks.filter(Boolean)), {
      ...(submit && { submit: submit as NonNullable<FieldOptions['submit']> }),
      ...(autocomplete && { autocomplete }),
      ...(secret && { secret: { last: Number.parseInt(secret, 10) } }),
    })
  }

  disconnectedCallback(): void {
    this.field?.detach()
    this.field = undefined
  }

  private made(): HTMLInputElement {
    const input = this.ownerDocument.createElement('input')
    for (const name of ['name', 'value', 'required', 'aria-label', 'placeholder']) {
      const value = this.getAttribute(name)
      if (value !== null) input.setAttribute(name, value)
    }
    return input
  }
}

if (!customElements.get('sornak-field')) customElements.define('sornak-field', SornakField)
