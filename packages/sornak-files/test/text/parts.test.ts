// A file inspected in parts says what it says as a whole, however small the parts are. What goes between the parts is
// copied as it would be on its way to another thread.

import { describe, expect, test } from 'vitest'
import {
  canBeParted,
  inspectFile,
  inspectInParts,
  memorySource,
  noProgress,
  partWork,
  type FileOptions,
  type FileRule,
  type InspectedFile,
  type Source,
  type Workers,
} from 'sornak-files'
import { readRulesText } from 'sornak-files/rules'
import { bytes, demo } from '../tables.js'

const OPTIONS: FileOptions = {
  reveal: true,
  candidates: 10,
  allowMissing: false,
  profile: false,
  trusted: new Map(),
}

function rulesOf(text: string) {
  const read = readRulesText(text, false)
  if (!read.ok) throw new Error(read.problems.map(({ message }) => message).join('\n'))
  return read.rules
}

async function saidBy(file: InspectedFile) {
  const found: unknown[] = []
  await file.second((one) => found.push(one))
  const counts = file.inspection.counts.map(({ column: { header }, values, intact, blank }) => ({
    header,
    values,
    intact,
    blank,
  }))
  const { records, unbound, notices, columns } = file
  return { records, unbound, notices, columns, counts, found }
}

function inParts(source: Source, rule: FileRule, least: number) {
  const start: Parameters<typeof inspectInParts>[4] = (shape, { headers }): Workers => {
    const two = [0, 1].map(() => partWork(source, shape, headers, rule, OPTIONS))
    let turn = 0
    const next = () => two[turn++ % 2]!
    return {
      count: 2,
      look: async (segment) => structuredClone(await next().look(segment)),
      judge: async (piece) => structuredClone(await next().judge(structuredClone(piece))),
      conclude: async (whole) =>
        structuredClone(two.map((one) => one.conclude(structuredClone(whole)))[0]!),
    }
  }
  return inspectInParts(source, rule, OPTIONS, noProgress, start, least)
}

const ferries = rulesOf(new TextDecoder().decode(demo('sornak.yaml')))
const ferryRule = (name: string) =>
  ferries.columns.find((rule) => rule.in.startsWith(name.slice(0, 4)))!

describe.each(['crew.csv', 'passes.csv', 'freight.csv'])('%s', (name) => {
  const source = memorySource(name, demo(name))
  const rule = ferryRule(name)
  test.each([9_000, 10_000_000])('in parts of %i bytes', async (least) => {
    const whole = await saidBy(await inspectFile(source, rule, OPTIONS, noProgress))
    expect(whole.found.length).toBeGreaterThan(100)
    expect(await saidBy(await inParts(source, rule, least))).toEqual(whole)
  })
})

describe('corners', () => {
  const RULES = `sornak: 1
identifiers:
  crew: { stored: '{5}', sensitivity: open }
  serial: { stored: '{18}', sensitivity: open }
columns:
  - in: 'list.csv'
    header-row: 2
    bind:
      No: { by: Kind, crew: crew, parcel: serial }
      Other: serial
`
  const [rule] = rulesOf(RULES).columns
  // Every value of a stretch was rounded, line breaks stand in quotes, some records are empty, short or too wide.
  const rows = Array.from({ length: 300 }, (_, i) => {
    const serial = `${400_000_000_000_007n + BigInt(i) * 104_729_001n}${(i % 900) + 100}`
    const struck = i >= 90 && i < 220
    const kind = i % 3 ? 'crew' : 'parcel'
    const no = i % 3 ? `${(i * 7919) % 100_000}`.padStart(i % 7 ? 5 : 1, '0') : serial
    const other = struck ? `${serial.slice(0, 15)}000` : serial
    if (i % 97 === 0) return ''
    if (i % 89 === 0) return `"a\nb",${no}`
    if (i % 83 === 0) return `x,${no},${kind},${other},more`
    return `"said ""so""\r\n${i}",${no},${kind},${other}`
  })
  const text = `Printed on Monday\nNote,No,Kind,Other\n${rows.join('\n')}`

  test.each([
    [1, ''],
    [50, '\n'],
    [1_000, '\r\n\r\n'],
    [7_777, '\n'],
  ])('in parts of %i bytes', async (least, ending) => {
    const source = memorySource('list.csv', bytes(text + ending))
    const whole = await saidBy(await inspectFile(source, rule!, OPTIONS, noProgress))
    expect(whole.columns).toContainEqual(expect.objectContaining({ finding: 'run-converted' }))
    expect(await saidBy(await inParts(source, rule!, least))).toEqual(whole)
  })

  test('a file without records, and one without a header', async () => {
    const header = memorySource('list.csv', bytes('Printed on Monday\nNote,No,Kind,Other\n'))
    const whole = await saidBy(await inspectFile(header, rule!, OPTIONS, noProgress))
    expect(await saidBy(await inParts(header, rule!, 10))).toEqual(whole)
    const none = memorySource('list.csv', bytes('Printed on Monday\n'))
    await expect(inParts(none, rule!, 10)).rejects.toThrow('has no header in row 2')
  })

  test('what is wrong with it is told as it is of the whole', async () => {
    const broken = (more: string | Uint8Array) =>
      memorySource(
        'list.csv',
        Buffer.concat([bytes(`${text}\n`), typeof more === 'string' ? bytes(more) : more]),
      )
    for (const [source, says] of [
      [broken('"never closed,1\n2\n'), /list\.csv:\d+ .*never closed/],
      [broken(Uint8Array.of(0xe9, 0x2c, 0x31)), /list\.csv:\d+ .*not UTF-8/],
    ] as const) {
      await expect(inspectFile(source, rule!, OPTIONS, noProgress)).rejects.toThrow(says)
      await expect(inParts(source, rule!, 1_000)).rejects.toThrow(says)
    }
  })
})

test('what needs the whole file is not parted', () => {
  const large: Source = { ...memorySource('crew.csv', demo('crew.csv')), size: 1 << 30 }
  const rule = ferryRule('crew.csv')
  expect(canBeParted(large, rule, OPTIONS)).toBe(true)
  expect(canBeParted({ ...large, size: 1 << 20 }, rule, OPTIONS)).toBe(false)
  expect(canBeParted(large, { ...rule, skipLast: 1 }, OPTIONS)).toBe(false)
  expect(canBeParted(large, rule, { ...OPTIONS, profile: true })).toBe(false)
  const unique = rulesOf(`sornak: 1
identifiers: { crew: { stored: '{5}', unique: true } }
columns: [{ in: 'crew.csv', bind: { Crew No: crew } }]
`).columns[0]!
  expect(canBeParted(large, unique, OPTIONS)).toBe(false)
})
