// What a channel is: one kind of conversion, forwards (what it prints for an original) and backwards
// (which originals could have given what is seen).

export type FindingCode =
  | 'zeros-lost'
  | 'zeros-added'
  | 'exponent'
  | 'digits-rounded'
  | 'decimal-tail'
  | 'grouped'
  | 'wrapped'
  | 'clamped'
  | 'base-changed'
  | 'date-made'
  | 'evaluated'
  | 'sign-gained'
  | 'scaled'
  | 'stray-mark'
  | 'hidden-character'
  | 'foreign-digit'
  | 'look-alike'
  | 'cut-short'
  | 'overflow-mark'
  | 'missing-mark'
  | 'display-stored'
  | 'unexplained'
  | 'check-digit'
  | 'reserved'
  | 'duplicate'
  | 'missing'
  | 'stored-as-number'
  | 'display-differs'
  | 'type-too-small'
  | 'run-converted'
  | 'zeros-absent'

/**
 * A set of texts that could have been there before a conversion, before any definition is asked.
 *
 * - `texts`: these texts;
 * - `integers`: every text of digits (with or without a leading `+`) whose value lies from `low` to
 *   `high`, both included, however many zeros it starts with.
 */
export type Preimage =
  | { readonly kind: 'texts'; readonly texts: readonly string[] }
  | { readonly kind: 'integers'; readonly low: bigint; readonly high: bigint }

export interface Channel {
  readonly id: string
  /** The finding that this conversion leaves on a value. */
  readonly finding: FindingCode
  readonly title: string
  /** What it does, in one sentence. */
  readonly describe: string
  /** Where it is met in practice. */
  readonly met: string
  readonly prevent: string
  readonly example: { readonly before: string; readonly after: string; readonly form: string }
  /** Names of the textual forms in which it prints. */
  readonly forms: readonly string[]
  /** What it prints for an original; the same text where it leaves it alone. */
  forward(text: string, form: string): string
  /**
   * What could have been there. Law: where `forward(x, form)` is `seen` and differs from `x`, `x` is in
   * one of the sets, and each member of a set goes forward to `seen` in some form.
   */
  inverse(seen: string): readonly Preimage[]
}

export function holds(preimage: Preimage, text: string): boolean {
  if (preimage.kind === 'texts') return preimage.texts.includes(text)
  if (!/^\+?\d+$/.test(text)) return false
  const value = BigInt(text.replace('+', ''))
  return preimage.low <= value && value <= preimage.high
}
