// The pieces of a number format's code.

export type Token =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'digit'; readonly text: '0' | '#' | '?' }
  | { readonly kind: 'point' | 'comma' | 'percent' | 'general' | 'value' }
  | { readonly kind: 'power'; readonly text: string }
  | { readonly kind: 'date'; readonly text: string }
