// The figures of the verdicts on conversions that really ran, on a part of the cases, against floors.

import { spawnSync } from 'node:child_process'
import { expect, test } from 'vitest'

test('verdicts stay above their floors', { timeout: 300_000 }, () => {
  const script = new URL('../../../bench/verdicts.mjs', import.meta.url).pathname
  const { stdout, stderr } = spawnSync(process.execPath, [script, '--json', '--every=4'], {
    maxBuffer: 1 << 28,
  })
  expect(stderr.toString()).toBe('')
  const { all } = JSON.parse(stdout.toString()) as { all: Record<string, number> }
  const share = (a: string, b: string) => all[a]! / all[b]!
  expect(all['changed']).toBeGreaterThan(80_000)
  expect(share('flagged', 'unfit')).toBeGreaterThanOrEqual(0.995)
  expect(share('accused', 'unchanged')).toBeLessThanOrEqual(0.0005)
  // Values that still fit show only where their type holds few of them; see docs/verdicts.md.
  expect(share('doubted', 'stillFit')).toBeGreaterThanOrEqual(0.9)
  expect(share('recovered', 'determined')).toBeGreaterThanOrEqual(0.99)
  expect(all['mended']).toBeGreaterThan(40_000)
  expect(all['wrong']).toBe(0)
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.99)
})
