// What a steward reads: columns, findings, rows, what the rows say together, and nothing that is hidden.

import { describe, expect, test } from 'vitest'
import {
  addFinding,
  bindTable,
  columnTally,
  fileText,
  judge,
  PLAIN,
  summaryText,
  valueFinding,
  type ColumnFinding,
  type Definition,
} from 'sornak'
import { rowsText } from '../../src/report/text.js'
import { definition } from '../identifier/definition-for.js'

const open = definition({ stored: '{5}', sensitivity: 'open' })
const personal = definition({ stored: '{5}' })

function tallyOf(made: Definition, values: readonly string[], runs: readonly ColumnFinding[] = []) {
  const bind = new Map([['No', { kind: 'one' as const, definition: made }]])
  const { table } = bindTable('a.csv', ['No'], { bind, key: undefined })
  const tally = columnTally('a.csv', table.columns[0]!, runs)
  tally.values = values.length
  values.forEach((value, i) => {
    const judgement = judge(made, value)
    if (judgement.verdict === 'intact') {
      tally.verdicts.intact++
      return
    }
    const where = { file: 'a.csv', record: i + 1, line: i + 2, key: null, column: 'No' }
    addFinding(tally, valueFinding(where, made, judgement, value, false))
  })
  return tally
}

const report = (made: Definition, values: readonly string[], runs?: readonly ColumnFinding[]) =>
  fileText(
    {
      file: 'a.csv',
      records: values.length,
      columns: [tallyOf(made, values, runs)],
      unbound: ['Name'],
      ragged: { count: 0, rows: { ranges: [], more: 0, last: -1 } },
    },
    PLAIN,
  )

describe('a file', () => {
  test('tells verdicts, findings, rows, examples and what to do', () => {
    const text = report(open, ['20417', '417', '418.0', '00001'])
    expect(text).toContain('a.csv  4 records, 1 column inspected')
    expect(text).toContain('2 intact, 2 mendable')
    expect(text).toMatch(/Zeros lost \(zeros-lost\) {2}1 mendable; row 2/)
    expect(text).toMatch(/row 2 +417 +→ 00417/)
    expect(text).toMatch(/row 3 +418\.0 +→ 00418/)
    expect(text).toContain('Next: ')
    expect(text).toContain('Not inspected: Name.')
  })
  test('hides what the definition hides, in its shape', () => {
    const text = report(personal, ['20417', '417', '418.0'])
    expect(text).not.toMatch(/417|418|00418/)
    expect(text).toMatch(/row 3 +•••\.• +→ •••••/)
  })
  test('says what the rows say together, as many as can be read', () => {
    const run = (from: number): ColumnFinding => ({
      kind: 'column',
      file: 'a.csv',
      column: 'No',
      identifier: 'value',
      finding: 'run-converted',
      channel: 'binary64',
      from,
      to: from + 9,
      bits: 77,
      why: `rows ${from} to ${from + 9} speak for it with 77 bits of evidence.`,
    })
    const text = report(
      open,
      ['20417'],
      Array.from({ length: 9 }, (_, i) => run(i * 20)),
    )
    expect(text).toContain('rows 0 to 9 speak')
    expect(text).toContain('and 3 runs more')
  })
  test('an example of each shape, three at most', () => {
    const text = report(open, ['1', '2', '33', '444', '5555', '6666'])
    expect(text.match(/→ /g)).toHaveLength(3)
  })
})

describe('a summary', () => {
  const summary = (values: readonly string[]) =>
    summaryText(
      {
        files: 1,
        records: values.length,
        errors: 0,
        columns: [tallyOf(open, values)],
        unbound: [],
        notices: ['Mind this.'],
        status: 0,
      },
      false,
      PLAIN,
    )
  test('says how many can be turned back, and how many must be fetched', () => {
    const text = summary(['20417', '417', '4E2', 'twelve'])
    expect(text).toContain('4 values: 1 intact, 1 mendable, 1 ambiguous, 1 misfit.')
    expect(text).toContain('1 can be turned back')
    expect(text).toContain('1 must be fetched again')
    expect(text).toContain('1 fit nothing that is known')
    expect(text).toContain('Mind this.')
  })
  test('says that there is nothing, where there is nothing', () => {
    expect(summary(['20417'])).toContain('Nothing to report.')
    expect(summary(['417'])).not.toContain('Nothing to report.')
  })
})

describe('rows', () => {
  test.each([
    { ranges: [[5, 5]], count: 1, want: 'row 5' },
    { ranges: [[5, 9]], count: 5, want: 'rows 5 to 9' },
    {
      ranges: [
        [1, 1],
        [3, 4],
        [7, 9],
      ],
      count: 6,
      want: 'rows 1, 3 to 4 and 7 to 9',
    },
    {
      ranges: [
        [1, 1],
        [3, 3],
        [5, 5],
        [7, 7],
        [1200, 1200],
      ],
      count: 5,
      want: 'scattered over rows 1 to 1,200',
    },
    {
      ranges: [
        [1, 1],
        [10, 30],
        [35, 35],
        [40, 40],
        [50, 90],
      ],
      count: 65,
      want: 'rows 10 to 30, 50 to 90; 3 more from row 1 to 90',
    },
  ])('$want', ({ ranges, count, want }) => {
    const pairs = ranges.map(([from, to]): [number, number] => [from!, to!])
    expect(rowsText({ ranges: pairs, more: 0, last: pairs.at(-1)![1] }, count)).toBe(want)
  })
})
