// The figures of the verdicts on conversions that really ran, and on made-up populations, on a part of the cases, against
// floors.

import { spawnSync } from 'node:child_process'
import { expect, test } from 'vitest'

type Figures = Record<string, number>

function figures(bench: string, every: number, ...words: string[]): Record<string, Figures> {
  const script = new URL(`../../../bench/${bench}.mjs`, import.meta.url).pathname
  // As the command runs.
  const args = ['--interrupt-budget=400000', script, '--json', `--every=${every}`, ...words]
  const { stdout, stderr } = spawnSync(process.execPath, args, { maxBuffer: 1 << 28 })
  expect(stderr.toString()).toBe('')
  return JSON.parse(stdout.toString()) as Record<string, Figures>
}

const sharesOf = (all: Figures) => (a: string, b: string) => all[a]! / all[b]!

// Among twenty rows a lone value that was read as octal looks as if it had lost a zero; elsewhere no mend may be wrong.
const wrongByScene = (parts: Record<string, Figures>) =>
  Object.fromEntries(
    ['block', 'scattered', 'whole'].map((scene) => [scene, parts[`scene|${scene}`]!['wrong']]),
  )

test('verdicts stay above their floors', { timeout: 300_000 }, () => {
  const { all = {}, ...parts } = figures('verdicts', 43)
  const share = sharesOf(all)
  expect(all['changed']).toBeGreaterThan(8000)
  expect(share('flagged', 'unfit')).toBeGreaterThanOrEqual(0.995)
  expect(share('accused', 'unchanged')).toBeLessThanOrEqual(0.0001)
  // Values that still fit show only where their type holds few of them; see docs/verdicts/measured.md.
  expect(share('doubted', 'stillFit')).toBeGreaterThanOrEqual(0.95)
  expect(share('recovered', 'determined')).toBeGreaterThanOrEqual(0.985)
  expect(all['mended']).toBeGreaterThan(4000)
  expect(all['wrong']).toBe(0)
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.995)
  // Twenty rows say little: a type that holds half of all values is not told from chance by so few.
  const run = parts['scene|run']!
  expect(run['changed']).toBeGreaterThan(300)
  expect(run['flagged']).toBe(run['unfit'])
  expect(sharesOf(run)('doubted', 'stillFit')).toBeGreaterThanOrEqual(0.8)
  expect(sharesOf(run)('recovered', 'determined')).toBeGreaterThanOrEqual(0.93)
  expect(sharesOf(run)('inList', 'listed')).toBeGreaterThanOrEqual(0.995)
})

test('and so they do among values that were mistyped', { timeout: 300_000 }, () => {
  const { all = {} } = figures('verdicts', 101, '--slips=100')
  const share = sharesOf(all)
  expect(all['unfit']).toBeGreaterThan(4500)
  expect(all['flagged']).toBe(all['unfit'])
  expect(share('recovered', 'determined')).toBeGreaterThanOrEqual(0.9)
  expect(all['mended']).toBeGreaterThan(2200)
  // A digit was left out where no other slip is known.
  expect(share('wrong', 'mended')).toBeLessThanOrEqual(0.001)
  expect(share('exactWrong', 'mended')).toBeLessThanOrEqual(0.0002)
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.995)
})

test('and so they do in columns that went through many hands', { timeout: 300_000 }, () => {
  const { all = {} } = figures('mixed', 13)
  const share = sharesOf(all)
  expect(all['unfit']).toBeGreaterThan(1800)
  expect(all['flagged']).toBe(all['unfit'])
  expect(share('accused', 'unchanged')).toBeLessThanOrEqual(0.001)
  expect(all['mended']).toBeGreaterThan(800)
  expect(share('wrong', 'mended')).toBeLessThanOrEqual(0.001)
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.99)
})

test('and so they do for identifiers of the catalog', { timeout: 300_000 }, () => {
  const { all = {}, ...parts } = figures('verdicts', 263, '--catalog')
  const share = sharesOf(all)
  expect(all['changed']).toBeGreaterThan(2900)
  expect(all['flagged']).toBe(all['unfit'])
  expect(share('accused', 'unchanged')).toBeLessThanOrEqual(0.0005)
  expect(share('recovered', 'determined')).toBeGreaterThanOrEqual(0.97)
  expect(all['mended']).toBeGreaterThan(1900)
  expect(share('wrong', 'mended')).toBeLessThanOrEqual(0.0001)
  expect(wrongByScene(parts)).toEqual({ block: 0, scattered: 0, whole: 0 })
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.995)
})

test('and so they do for other widths, alphabets and populations', { timeout: 300_000 }, () => {
  const { all = {} } = figures('verdicts', 227, '--more')
  const share = sharesOf(all)
  expect(all['changed']).toBeGreaterThan(3000)
  expect(all['flagged']).toBe(all['unfit'])
  expect(share('accused', 'unchanged')).toBeLessThanOrEqual(0.0005)
  expect(share('recovered', 'determined')).toBeGreaterThanOrEqual(0.95)
  expect(all['mended']).toBeGreaterThan(1200)
  expect(share('wrong', 'mended')).toBeLessThanOrEqual(0.001)
  expect(all['exactWrong']).toBe(0)
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.98)
})

test('and so they do for other programs', { timeout: 300_000 }, () => {
  const { all = {}, ...parts } = figures('verdicts', 193, '--other')
  const share = sharesOf(all)
  expect(all['changed']).toBeGreaterThan(1600)
  expect(all['flagged']).toBe(all['unfit'])
  expect(all['mended']).toBeGreaterThan(650)
  expect(all['exactWrong']).toBe(0)
  expect(wrongByScene(parts)).toMatchObject({ block: 0, scattered: 0 })
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.98)
})

// Among them are types of 8, 16, 40 and 80 bits.
test('and so far as they do for others again', { timeout: 300_000 }, () => {
  const { all = {} } = figures('verdicts', 127, '--further')
  const share = sharesOf(all)
  expect(all['changed']).toBeGreaterThan(3500)
  expect(share('flagged', 'unfit')).toBeGreaterThanOrEqual(0.995)
  expect(all['mended']).toBeGreaterThan(1500)
  expect(all['exactWrong']).toBe(0)
  expect(share('wrong', 'mended')).toBeLessThanOrEqual(0.001)
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.95)
})

// Among the programs are some that make of a code what is not in it: a time zone, or the day on which they run.
test(
  'and so far as they do for codes that became dates, times and sums',
  { timeout: 300_000 },
  () => {
    const { all = {} } = figures('verdicts', 9, '--codes')
    const share = sharesOf(all)
    expect(all['changed']).toBeGreaterThan(20_000)
    expect(all['flagged']).toBe(all['unfit'])
    expect(all['accused']).toBe(0)
    expect(all['mended']).toBeGreaterThan(7500)
    expect(share('wrong', 'mended')).toBeLessThanOrEqual(0.03)
    expect(share('exactWrong', 'mended')).toBeLessThanOrEqual(0.005)
    expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.92)
  },
)

test('and so they do for forms in which identifiers are shown', { timeout: 300_000 }, () => {
  const { all = {} } = figures('verdicts', 7, '--forms')
  const share = sharesOf(all)
  expect(all['changed']).toBeGreaterThan(5000)
  expect(all['flagged']).toBe(all['unfit'])
  expect(all['accused']).toBe(0)
  expect(all['mended']).toBeGreaterThan(2500)
  expect(share('wrong', 'mended')).toBeLessThanOrEqual(0.02)
  expect(all['exactWrong']).toBe(0)
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.9)
})

test('and so they do where identifiers are issued in blocks', { timeout: 300_000 }, () => {
  const { all = {} } = figures('populations', 307)
  const share = sharesOf(all)
  expect(all['changed']).toBeGreaterThan(2200)
  expect(all['flagged']).toBe(all['unfit'])
  expect(share('accused', 'unchanged')).toBeLessThanOrEqual(0.0001)
  expect(share('recovered', 'known')).toBeGreaterThanOrEqual(0.95)
  expect(all['exact']).toBeGreaterThan(550)
  expect(all['exactWrong']).toBe(0)
  expect(all['odds']).toBeGreaterThan(750)
  expect(share('oddsWrong', 'odds')).toBeLessThanOrEqual(0.001)
  expect(share('inList', 'listed')).toBeGreaterThanOrEqual(0.995)
})

test('what is told of long columns is so, and nothing else is told', { timeout: 300_000 }, () => {
  const { 'in all': all = {}, ...scenes } = figures('runs', 397)
  const share = sharesOf(all)
  expect(all['stretches']).toBeGreaterThan(8)
  expect(share('found', 'stretches')).toBeGreaterThanOrEqual(0.95)
  expect(share('named', 'found')).toBeGreaterThanOrEqual(0.85)
  expect(all['lines']).toBeGreaterThan(12)
  expect(share('odd', 'lines')).toBeLessThanOrEqual(0.05)
  // Rows here and there are no stretch.
  expect(scenes['one in fifty']!['columns']).toBeGreaterThan(2)
  expect(scenes['one in fifty']!['odd']).toBe(0)
})
