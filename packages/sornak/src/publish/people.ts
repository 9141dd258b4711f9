// What a definition asks, in a sentence for people.

import { WHOLE, type Definition } from '../identifier/definition.js'

export function identifierWords({ stored, check, never, only, zeros }: Definition): string {
  const parts = [
    stored.masks.map((mask) => mask.explain().replace(/\.$/, '')).join('; or '),
    check ? `with a check digit (${check.scheme.title})` : '',
    ...[
      ...never.map((rule) => ({ rule, how: 'never' })),
      ...only.map((rule) => ({ rule, how: 'only' })),
    ].map(
      ({ rule, how }) =>
        `${how} ${rule.ranges.map(({ low, high }) => (low === high ? low : `${low} to ${high}`)).join(', ')}${rule.part === WHOLE ? '' : ` as "${rule.part}"`}`,
    ),
    zeros === 'padding' ? 'zeros in front are padding' : '',
  ].filter(Boolean)
  return `${parts.join('; ')}.`
}
