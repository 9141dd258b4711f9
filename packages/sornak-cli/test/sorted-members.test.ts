// A trusted list that does not fit into what is sorted at once answers as one in memory does.

import { expect, test } from 'vitest'
import fc from 'fast-check'
import { hypotheses, identifier, trustedList, type Hypothesis } from 'sornak'
import { memberSorter } from '../src/sorted-members.js'
import { desk } from '../src/source.js'

const member = fc.oneof(
  fc.nat(3000).map((value) => `${value}`),
  fc.nat(3000).map((value) => `${value}`.padStart(6, '0')),
  fc.nat(99).map((value) => `+${value}`),
  fc.constantFrom('A7', 'a7', '', 'x', 'two\nlines', '"', '\\', 'ä', '😀', '\uffff'),
)
const read = (originals: Hypothesis['originals']): Hypothesis => ({
  originals,
  process: 'number-read',
  channels: ['number-read'],
  findings: [],
  weight: 1,
  per: 'original',
})
const texts = (list: readonly string[]) => read({ kind: 'texts', texts: list })
const integers = (low: bigint, high: bigint) => read({ kind: 'integers', low, high })

const valueOf = (text: string) =>
  /^\+?\d+$/.test(text) ? BigInt(text.replace('+', '')) : undefined

test('members, intervals and claims are those of the list, however few are sorted at once', () => {
  fc.assert(
    fc.property(
      fc.array(member, { maxLength: 700 }),
      fc.integer({ min: 1, max: 300 }),
      fc.array(member, { maxLength: 20 }),
      fc.array(fc.tuple(fc.nat(3000), fc.nat(60)), { maxLength: 10 }),
      (list, atOnce, asked, intervals) => {
        const files = desk()
        try {
          const sorter = memberSorter(files, 'made up', atOnce)
          for (const text of list) sorter.add(text)
          for (const made of [sorter.done(), trustedList(list)]) {
            expect(made.size).toBe(new Set(list).size)
            for (const text of asked) {
              expect(made.has(text)).toBe(list.includes(text))
              made.claim(text)
            }
            for (const text of asked)
              expect(made.claims(text)).toBe(
                list.includes(text) ? asked.filter((other) => other === text).length : 0,
              )
            for (const [low, wide] of intervals) {
              const [from, to] = [BigInt(low), BigInt(low + wide)]
              const inside = new Set(
                list.filter((text) => {
                  const value = valueOf(text)
                  return value !== undefined && from <= value && value <= to
                }),
              )
              const found = made.among([integers(from, to)])
              expect(found.length).toBe(Math.min(2, inside.size))
              expect(found.filter((text) => !inside.has(text))).toEqual([])
            }
            expect(made.among([texts(asked)])).toEqual(
              [...new Set(asked.filter((text) => list.includes(text)))].slice(0, 2),
            )
          }
        } finally {
          files.close()
        }
      },
    ),
    { numRuns: 60 },
  )
})

test('what lost its last digits is found in a list that went to a file', () => {
  const serial = identifier({ stored: '{18}' }, 'serial')
  const files = desk()
  const sorter = memberSorter(files, 'made up', 1000)
  for (let i = 0; i < 5000; i++) sorter.add(`${100_200_300_000_000_000n + BigInt(i) * 7_777_777n}`)
  const list = sorter.done()
  const one = `${100_200_300_000_000_000n + 4321n * 7_777_777n}`
  expect(list.among(hypotheses(serial, `${one.slice(0, 15)}000`))).toEqual([one])
  files.close()
})
