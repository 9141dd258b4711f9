// Rules files that are wrong: each problem is told where it stands, by line and column as an editor counts them, and
// with a way out.

import { describe, expect, test } from 'vitest'
import { readRulesText } from 'sornak-files/rules'

/** `»` marks the place at which the problem must be told. */
const WRONG: readonly (readonly [code: string, text: string])[] = [
  ['version-missing', '»title: Ferries\n'],
  ['version-unknown', 'sornak: »2\n'],
  ['version-unknown', 'sornak: »9\nidentifiers: {}\n'],
  ['key-unknown', 'sornak: 1\n»identifier:\n  a: { stored: "{5}" }\n'],
  ['key-unknown', 'sornak: 1\nidentifiers:\n  a:\n    stored: "{5}"\n    »dispaly: "{5}"\n'],
  [
    'key-unknown',
    'sornak: 1\ncolumns:\n  - in: a.csv\n    »binds: { A: staff/number }\n    bind: {}\n',
  ],
  ['map-expected', 'sornak: 1\nidentifiers: »many\n'],
  ['list-expected', 'sornak: 1\ncolumns: »a.csv\n'],
  ['text-expected', 'sornak: 1\nidentifiers:\n  a:\n    title: »[a, b]\n    stored: "{5}"\n'],
  ['name', 'sornak: 1\nidentifiers:\n  »2nd: { stored: "{5}" }\n'],
  ['stored-missing', 'sornak: 1\nidentifiers:\n  »a: { display: "{5}" }\n'],
  ['like-unknown', 'sornak: 1\nidentifiers:\n  a: { like: »phone/gbb }\n'],
  ['like-circle', 'sornak: 1\nidentifiers:\n  a: { like: »a }\n'],
  ['check-unknown', 'sornak: 1\nidentifiers:\n  a: { stored: "{5}", check: »luhnn }\n'],
  ['flag-expected', 'sornak: 1\nidentifiers:\n  a: { stored: "{5}", unique: »perhaps }\n'],
  ['word-unknown', 'sornak: 1\nidentifiers:\n  a: { stored: "{5}", sensitivity: »private }\n'],
  ['reveal', 'sornak: 1\nidentifiers:\n  a: { stored: "{5}", reveal: »last four }\n'],
  ['zeros-padding', 'sornak: 1\nidentifiers:\n  a: { stored: "{2}-{3}", zeros: »padding }\n'],
  ['part-unknown', 'sornak: 1\nidentifiers:\n  a: { stored: "{5}", never: { front: »"00" } }\n'],
  [
    'range-width',
    'sornak: 1\nidentifiers:\n  a: { stored: "{front: 2}{3}", never: { front: »"000..999" } }\n',
  ],
  [
    'sample-misfit',
    'sornak: 1\nidentifiers:\n  a: { stored: "{5}", samples: { fits: [00417, »417] } }\n',
  ],
  [
    'sample-fits',
    'sornak: 1\nidentifiers:\n  a: { stored: "{5}", samples: { does-not-fit: [417, »00417] } }\n',
  ],
  ['key-missing', 'sornak: 1\ncolumns:\n  - »bind: { A: staff/number }\n'],
  ['identifier-unknown', 'sornak: 1\ncolumns:\n  - { in: a.csv, bind: { A: »staff/nmber } }\n'],
  [
    'identifier-unknown',
    'sornak: 1\ncolumns:\n  - { in: a.csv, bind: { A: { by: C, ZA: »phone/zz } } }\n',
  ],
  ['header-row', 'sornak: 1\ncolumns:\n  - { in: a.csv, header-row: »0, bind: {} }\n'],
  ['count-expected', 'sornak: 1\ncolumns:\n  - { in: a.csv, skip-last: »one, bind: {} }\n'],
  [
    'alias-unbound',
    'sornak: 1\ncolumns:\n  - { in: a.csv, bind: { A: staff/number }, aliases: { »B: [C] } }\n',
  ],
  [
    'finding-unknown',
    'sornak: 1\naccepted:\n  - { in: a.csv, column: A, finding: »zeros-gone, because: known }\n',
  ],
  [
    'date',
    'sornak: 1\naccepted:\n  - { in: a.csv, column: A, finding: duplicate, because: b, until: »2026-13-01 }\n',
  ],
  ['identifier-unknown', 'sornak: 1\ntrusted:\n  »nobody: { from: a.csv, column: A }\n'],
  ['channel-unknown', 'sornak: 1\nhand-overs:\n  mine: { title: Mine, through: [»binary65] }\n'],
  ['slot-open', 'sornak: 1\nidentifiers:\n  a: { stored: "ab»{5" }\n'],
  ['yaml', 'sornak: 1\nidentifiers:\n  a: { stored: "{5}"\n»'],
  ['yaml', 'sornak: 1\ntitle: a\n»title: b\n'],
]

describe('what is wrong', () => {
  test.each(WRONG)('%s in %j', (code, marked) => {
    const at = marked.indexOf('»')
    const read = readRulesText(marked.replace('»', ''))
    expect(read.ok).toBe(false)
    if (read.ok) return
    const before = marked.slice(0, at).split('\n')
    const [problem] = read.problems
    expect(problem).toMatchObject(
      // Where YAML itself breaks, its reader says the column.
      { code, line: before.length, ...(code !== 'yaml' && { column: before.at(-1)!.length + 1 }) },
    )
    expect(problem!.message).toMatch(/^\S.*\.$/)
    expect(problem!.todo).toMatch(/\S/)
  })

  test('all problems are told, in the order of the file', () => {
    const read = readRulesText(
      'sornak: 1\nidentifiers:\n  a: { like: nobody }\n  b: { stored: "{5}", check: none-such }\ncolumns:\n  - { in: a.csv, bind: { A: c } }\n',
    )
    expect(read.ok ? [] : read.problems.map(({ line, code }) => [line, code])).toEqual([
      [3, 'like-unknown'],
      [4, 'check-unknown'],
      [6, 'identifier-unknown'],
    ])
  })
})

describe('scalars are their source text', () => {
  const identifiers = (text: string, json = false) => {
    const read = readRulesText(text, json)
    return read.ok ? [...read.rules.identifiers.values()] : read.problems
  }
  test.each([
    ['00', '00'],
    ["'00'", '00'],
    ['0x1F', '0x1F'],
    ['1e5', '1e5'],
    ['no', 'no'],
    ['~', '~'],
    ['0o17', '0o17'],
    ['1_000', '1_000'],
    ['12:30', '12:30'],
  ])('%s', (written, text) => {
    const read = readRulesText(
      `sornak: 1\nidentifiers:\n  a: { stored: "{2..6 any}", title: ${written} }\n`,
    )
    if (!read.ok) throw new Error(read.problems[0]!.message)
    expect(read.rules.identifiers.get('a')!.title).toBe(text)
  })
  test('an anchor stands for what it names', () => {
    const [a, b] = identifiers(
      'sornak: 1\nidentifiers:\n  a: &one { stored: "{5}", title: One }\n  b: *one\n',
    )
    expect(b).toMatchObject({ title: (a as { title: string }).title })
  })
  test('in JSON a number is no identifier, and a text is', () => {
    const json = (never: string) =>
      `{ "sornak": 1, "identifiers": { "a": { "stored": "{front: 2}{3}", "never": { "front": ${never} } } } }`
    expect(identifiers(json('0'), true)).toMatchObject([{ code: 'number-for-text', line: 1 }])
    expect(identifiers(json('"00"'), true)).toHaveLength(1)
  })
  test('an empty file says what is missing', () => {
    for (const text of ['', '# nothing yet\n', '{}'])
      expect(identifiers(text)).toMatchObject([{ code: 'version-missing' }])
  })
})
