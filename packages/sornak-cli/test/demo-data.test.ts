// The demo data against its truth files: every value that was changed and every one that was not.

import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { DATA, lines, RULES, sornak, type Line } from './run.js'

interface Changed {
  readonly original: string
  readonly seen: string
  readonly how: string
}

function truth(name: string): Map<string, Changed> {
  const rows = readFileSync(join(DATA, `${name}.truth.csv`), 'utf8')
    .trim()
    .split('\n')
    .slice(1)
  return new Map(
    rows.map((row) => {
      const cells = [...row.matchAll(/"((?:[^"]|"")*)"|([^,]+)|(?<=,)(?=,)/g)].map((found) =>
        (found[1] ?? found[2] ?? '').replaceAll('""', '"'),
      )
      const [record, column, original, seen, how] = cells
      return [`${record} ${column}`, { original: original!, seen: seen!, how: how! }]
    }),
  )
}

function inspected(name: string): Map<string, Line> {
  const { out, status } = sornak([
    'inspect',
    join(DATA, `${name}.csv`),
    '-r',
    RULES,
    '--format',
    'jsonl',
    '--reveal',
    '--candidates',
    '1000',
  ])
  expect(status).toBe(1)
  const values = lines(out).filter(({ kind }) => kind === 'value')
  return new Map(values.map((line) => [`${line['record']} ${line['column']}`, line]))
}

describe.each([
  ['crew', 0],
  ['passes', 301],
  ['freight', 130],
])('%s', (name, stillFit) => {
  const changed = truth(name)
  const found = inspected(name)

  test('a value that was not changed is doubted at most, where all its neighbours were changed', () => {
    const unchanged = [...found].filter(([place]) => !changed.has(place))
    for (const [, line] of unchanged) expect(line['verdict']).toBe('suspect')
    expect(unchanged.length).toBeLessThanOrEqual(stillFit / 50)
  })

  test('every value that was changed is flagged, also where it fits in spite of it', () => {
    for (const place of changed.keys()) expect(found.has(place), place).toBe(true)
    const doubted = [...changed].filter(([place]) => found.get(place)!['verdict'] === 'suspect')
    for (const [, { how }] of doubted) expect(how).toBe('python %.0f')
    expect(doubted.length).toBe(stillFit)
  })

  test('every mend is the original, and among candidates the original is found', () => {
    let mended = 0
    for (const [place, { original, seen }] of changed) {
      const line = found.get(place)
      if (!line) continue
      expect(line['value']).toBe(seen)
      if (line['verdict'] === 'mendable') {
        mended++
        expect(line['mend'], place).toBe(original)
      } else if (line['verdict'] === 'ambiguous' || line['verdict'] === 'suspect') {
        if ((line['possible'] as number) > 1000) continue
        expect(line['candidates'], place).toContain(original)
        expect((line['candidates'] as string[]).length).toBe(line['possible'])
      } else expect(line['verdict'], place).toBe('lost')
    }
    expect(mended).toBeGreaterThan(0)
  })
})
