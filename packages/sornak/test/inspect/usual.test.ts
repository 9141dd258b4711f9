// Values that are counted by class say what each of them would say by itself.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { columnEvidence } from '../../src/inspect/evidence/column-evidence.js'
import { fitReader } from '../../src/inspect/evidence/fit-evidence.js'
import { settled } from '../../src/inspect/evidence/joined-evidence.js'
import { UNIT, type Process } from '../../src/inspect/evidence/process.js'
import { processesOf } from '../../src/inspect/evidence/processes.js'
import { usualClasses, usualValues } from '../../src/inspect/evidence/usual.js'
import { identifier } from '../../src/index.js'

const bytesOf = (text: string) => new TextEncoder().encode(text)

const DEFINITIONS = [
  { stored: '{5}' },
  { stored: '{9}' },
  { stored: '{10}' },
  { stored: '{16}', check: 'luhn' },
  { stored: '{18}' },
  { stored: '{19}' },
  { stored: '{20}' },
  { stored: '{1..8}' },
  { stored: '{3}{1 upper}{4}' },
  { stored: ['{1..4}-{4}', '{3 alnum}:{2}', '{9}'] },
  { stored: '{4}.{2}' },
].map((plain) => identifier(plain))

// Digits of any length, and often those near a limit, with zeros at the end, or beside a power of two.
const limits = [15n, 16n, 24n, 31n, 32n, 53n, 63n, 64n].map((power) => 2n ** power)
const value = fc.oneof(
  fc.stringMatching(/^\d{1,20}$/),
  fc.tuple(fc.stringMatching(/^\d{1,18}$/), fc.nat(6)).map(([text, n]) => text + '0'.repeat(n)),
  fc
    .tuple(fc.constantFrom(...limits), fc.bigInt(-40_000_000n, 40_000_000n))
    .map(([limit, by]) => `${limit + by < 0n ? 0n : limit + by}`),
  fc
    .tuple(fc.nat(14), fc.bigInt(1n, 10n ** 16n), fc.nat(7))
    .map(([cut, n, power]) => `${(n / 10n ** BigInt(cut) + 1n) << BigInt(power)}`),
)

const mixed = fc.oneof(
  value,
  fc.stringMatching(/^[0-9A-Ze:/+-]{1,12}$/),
  fc.stringMatching(/^[0-9]{1,4}[.,][0-9]{1,3}$/),
)

describe.each(DEFINITIONS)('$stored.masks.0.text', (definition) => {
  const processes = processesOf(definition)
  const isMixed = definition.stored.masks.some(({ text }) => /[^{}\d.]|\}\./.test(text))
  const values = isMixed ? mixed : value
  // What holds another character than digits says nothing of readers of numbers.
  const says = ({ fits, usual, ofDigits }: Process, text: string) =>
    ofDigits && !/^\d+$/.test(text) ? 0 : (fits?.(bytesOf(text), 0, text.length) ?? usual)
  const answer = (text: string) => processes.map((process) => says(process, text))

  test('a value that is taken says what the first of its class said', () => {
    const asked = new Map<number[], (number | null)[]>()
    const classes = usualClasses(processes, true, (bytes, start, end) => {
      const said: never[] = []
      const held = [asked.size]
      asked.set(held, answer(new TextDecoder().decode(bytes.subarray(start, end))))
      return { said, held, near: [] }
    })
    const usual = usualValues(classes)
    fc.assert(
      fc.property(values, (text) => {
        const bytes = bytesOf(`xx${text}yy`)
        if (!usual.take(bytes, 2, bytes.length - 2)) return
        const told: number[][] = []
        usual.drain(({ held }, count) => {
          expect(count).toBe(1)
          told.push([...held])
        })
        const [[which] = []] = told
        const first = [...asked.entries()].find(([held]) => held[0] === which)!
        expect(answer(text)).toEqual(first[1])
      }),
      { numRuns: 3000 },
    )
  })

  test('one that is not taken says what it says by itself', () => {
    const { says: ask } = fitReader(processes, true)
    const classes = usualClasses(processes, true, ask)
    let others = 0
    fc.assert(
      fc.property(values, (text) => {
        const bytes = bytesOf(`xx${text}yy`)
        const [start, end] = [2, bytes.length - 2]
        if (classes.numberOf(bytes, start, end) !== undefined) return
        others++
        expect(classes.answerTo(bytes, start, end)).toEqual(ask(bytes, start, end))
      }),
      { numRuns: 3000 },
    )
    expect(others).toBeGreaterThan(0)
  })

  test('sums over a column are those of its values one by one', () => {
    fc.assert(
      fc.property(fc.array(values, { minLength: 2, maxLength: 60 }), (texts) => {
        const evidence = columnEvidence(definition)
        texts.forEach((text, i) =>
          evidence.fits(bytesOf(text), 0, text.length, { index: i, line: i, offset: i }),
        )
        const { sums } = settled(definition, evidence.state())
        const limited = processes.map(({ max }) => max !== undefined)
        const held = processes.map(
          (_, i) =>
            texts.filter((text) => limited[i] && /^\d+$/.test(text) && answer(text)[i]! >= 0)
              .length,
        )
        expect(sums.held).toEqual(held)
        // What repeats the value before it is no second piece of evidence: left out here.
        const scores = processes.map((process) =>
          process.rounds
            ? 0
            : texts.reduce((sum, text) => sum + says(process, text) - process.usual, 0),
        )
        expect(processes.map(({ rounds }, i) => (rounds ? 0 : sums.scores[i]))).toEqual(scores)
        expect(sums.fits).toBe(texts.length)
        expect(sums.scores.every((score) => Number.isInteger(score * UNIT))).toBe(true)
      }),
      { numRuns: 60 },
    )
  })
})
