// Values that fit and are exactly the limit of an integer type: one may be chance, several are not, wherever they lie.

import { expect, test } from 'vitest'
import { columnRuns, joinedEvidence, judge, type Verdict } from 'sornak'
import { digits, evidenceOf, next, of } from './converted-column.js'

const LIMIT = '2147483647'
const held = (text: string) => (BigInt(text) > BigInt(LIMIT) ? LIMIT : text)
const phone = () => `${2 + next(8)}${digits(9)}`

function verdicts(stored: string, rows: readonly string[]): Verdict[] {
  const made = of(stored)
  const runs = columnRuns(made, evidenceOf(made, rows))
  return rows.map((seen, i) => judge(made, seen, 10, runs.around(i)).verdict)
}

/** Telephone numbers, of which those were held at the limit in these rows. */
const phones = (struck: (row: number) => boolean) =>
  Array.from({ length: 500 }, (_, row) => (struck(row) ? held(phone()) : phone()))

test.each<[string, (row: number) => boolean, number]>([
  ['in a run of twenty', (row) => row >= 240 && row < 260, 10],
  ['here and there', (row) => row % 40 === 0, 8],
  ['two in all, the first value one of them', (row) => row === 0 || row === 300, 2],
])('%s', (_, struck, least) => {
  const rows = phones(struck)
  expect(rows.filter((seen) => seen === LIMIT).length).toBeGreaterThanOrEqual(least)
  expect(verdicts('{10}', rows)).toEqual(
    rows.map((seen) => (seen === LIMIT ? 'suspect' : 'intact')),
  )
})

test('a number that comes up to the limit by chance stays as it is', () => {
  const rows = phones((row) => row === 300)
  rows[300] = LIMIT
  expect(verdicts('{10}', rows)).toEqual(rows.map(() => 'intact'))
})

test('and so does one of few numbers, however often it comes', () => {
  const rows = Array.from({ length: 500 }, (_, row) => (row % 40 === 0 ? '32767' : digits(5)))
  expect(verdicts('{5}', rows)).toEqual(rows.map(() => 'intact'))
})

test('rows that were damaged otherwise say nothing for such a value or against it', () => {
  const rows = phones((row) => row % 40 === 0).map((seen, row) =>
    row % 9 === 4 ? `${seen}.0` : seen,
  )
  const found = verdicts('{10}', rows)
  rows.forEach((seen, row) => {
    if (seen === LIMIT) expect(found[row]).toBe('suspect')
  })
})

test('two parts of a column know as much as the whole', () => {
  const made = of('{10}')
  const rows = phones((row) => row === 0 || row === 300)
  const parts = [rows.slice(0, 250), rows.slice(250)].map((part) => evidenceOf(made, part))
  const runs = columnRuns(made, joinedEvidence(made, parts[0]!, parts[1]!))
  expect([...runs.around(0).limits]).toEqual([LIMIT])
})

test('a limit that is met as often as any number near it is a number like these', () => {
  const rows = Array.from({ length: 5000 }, () => `${65_535 - next(2000)}`)
  expect(rows.filter((text) => text === '65535').length).toBeGreaterThan(1)
  expect(verdicts('{5}', rows)).toEqual(rows.map(() => 'intact'))
})
