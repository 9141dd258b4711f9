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
  | 'case-changed'
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
  | 'rows-converted'
  | 'zeros-absent'

/**
 * A set of texts that could have been there before a conversion, before any definition is asked.
 *
 * - `texts`: these texts;
 * - `integers`: every text of digits (with or without a leading `+`) whose value lies from `low` to
 *   `high`, both included, however many zeros it starts with;
 * - `residues`: every text of digits whose value is at least `from` and leaves `rest` when divided by
 *   `modulus`;
 * - `starts`, `ends`: every longer text that starts or ends so;
 * - `sums`: every text of digits joined by `-` or `/` whose value, worked out, is this; a part that starts with a zero may
 *   be octal.
 */
export type Preimage =
  | { readonly kind: 'texts'; readonly texts: readonly string[] }
  | { readonly kind: 'integers'; readonly low: bigint; readonly high: bigint }
  | {
      readonly kind: 'residues'
      readonly rest: bigint
      readonly modulus: bigint
      readonly from: bigint
    }
  | { readonly kind: 'starts' | 'ends'; readonly text: string }
  | { readonly kind: 'sums'; readonly value: string }

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
