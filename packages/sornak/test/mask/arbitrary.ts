// Generated masks, most of them well formed, and values that fill them.

import fc from 'fast-check'
import type { Mask } from 'sornak'

const KINDS = [
  '',
  ' digit',
  ' letter',
  ' upper',
  ' lower',
  ' alnum',
  ' hex',
  ' any',
  ' of "A..F0..3"',
  ' of "xyz"',
]

const count = fc.oneof(
  { weight: 4, arbitrary: fc.integer({ min: 1, max: 6 }).map(String) },
  {
    weight: 1,
    arbitrary: fc
      .tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 3, max: 5 }))
      .map(([a, b]) => `${a}..${b}`),
  },
  { weight: 1, arbitrary: fc.constant('2..') },
)
const option = fc.constantFrom('', '', '', ' pad', ' pad "*"', ', hide', ' hide "#"')
const slot = fc
  .tuple(count, fc.constantFrom(...KINDS), option)
  .map(([n, kind, more]) => `{${n}${kind}${more}}`)
const literal = fc.constantFrom(
  '',
  '-',
  ' ',
  '/',
  '(',
  ') ',
  'REF-',
  '+27 ',
  '.',
  'é',
  '\\{',
  '\\]',
)

export const aMask = (): fc.Arbitrary<string> =>
  fc
    .tuple(
      fc.array(fc.tuple(literal, slot), { minLength: 1, maxLength: 4 }),
      fc.option(fc.tuple(literal, slot)),
      literal,
    )
    .map(
      ([parts, section, last]) =>
        parts.flat().join('') + (section ? `[${section.join('')}]` : '') + last,
    )

/** A value that the mask takes: one character after another for each slot, sections at random. */
export function aValueFor({ nodes }: Mask, picks: Iterable<number>): string {
  const numbers = picks[Symbol.iterator]()
  const pick = (below: number) => (numbers.next().value as number) % below
  const fill = (list: Mask['nodes']): string =>
    list
      .map((node) => {
        if (node.kind === 'literal') return ''
        if (node.kind === 'section') return pick(2) ? fill(node.nodes) : ''
        const most = node.max === Infinity ? node.min + 4 : node.max
        const length = node.min + pick(most - node.min + 1)
        const chars = SAMPLES[node.chars.kind] ?? []
        const from =
          node.chars.kind === 'of'
            ? node.chars.ranges.map(([low]) => String.fromCodePoint(low))
            : chars
        return Array.from({ length }, () => from[pick(from.length)]).join('')
      })
      .join('')
  return fill(nodes)
}

const SAMPLES: Record<string, readonly string[]> = {
  digit: [...'0123456789'],
  letter: [...'aZéЖ'],
  upper: [...'AZÉ'],
  lower: [...'azé'],
  alnum: [...'a0Z9'],
  hex: [...'0fA9'],
  any: [...'a0-. 😀\u0301'],
}
