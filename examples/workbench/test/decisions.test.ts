// What the steward decided, as rules and back, and step by step.

import { describe, expect, test } from 'vitest'
import { KNOWN_WORDS, readRules, type PlainMap } from 'sornak'
import { readRulesText } from 'sornak-files/rules'
import {
  decidedBy,
  EMPTY,
  entryFor,
  history,
  nameFor,
  rulesForTable,
  wholeRules,
  type Decisions,
} from '../src/state/decisions.js'
import { rulesText } from '../src/state/rules-text.js'
import type { SurveyedColumn } from '../src/worker/protocol.js'

const column = (header: string, more: Partial<SurveyedColumn> = {}): SurveyedColumn => ({
  header,
  values: 10,
  blank: 0,
  kind: 'text',
  entry: undefined,
  stored: undefined,
  others: [],
  why: '',
  widths: [],
  leadingZeros: 0,
  beyond15: 0,
  damaged: [],
  ...more,
})
const COLUMNS = [
  column('Mobile', { entry: 'phone/gb' }),
  column('Crew No', { stored: '{5}' }),
  column('Name'),
]
const crew = { file: 'crew.csv', sheet: undefined }
const isRead = (rules: PlainMap) => readRules(rules, KNOWN_WORDS)

describe('without rules', () => {
  const decisions = decidedBy({}, crew, COLUMNS)
  test('columns hold what the survey proposes', () => {
    expect(decisions.bindings).toEqual({ Mobile: 'phone/gb', 'Crew No': 'crew-no' })
    expect(decisions.identifiers).toEqual({ 'crew-no': { title: 'Crew No', stored: '{5}' } })
  })
  test('and that makes rules that can be read', () => {
    expect(isRead(rulesForTable(decisions, crew, 1)).ok).toBe(true)
    expect(isRead(wholeRules(decisions, crew, 1)).ok).toBe(true)
    expect(rulesForTable(decisions, crew, 3)['columns']).toEqual([
      { in: 'crew.csv', 'header-row': '3', bind: decisions.bindings },
    ])
  })
  test('a sheet of several is named', () => {
    const sheet = { file: 'book.xlsx', sheet: 'Season' }
    expect(wholeRules(decidedBy({}, sheet, COLUMNS), sheet, 1)['columns']).toMatchObject([
      { in: 'book.xlsx#Season' },
    ])
  })
})

const RULES = `sornak: 1
title: 'Harrow Sound Ferries'
identifiers:
  base: { stored: '{5}' }
  number: { like: base, sensitivity: open }
  unused: { stored: '{9}' }
columns:
  - { in: 'passes*.csv', bind: { Card: card/payment } }
  - in: 'crew*.csv'
    header-row: 2
    skip-last: 1
    key: Name
    aliases: { Crew No: [Number] }
    bind: { Crew No: number, Mobile: { by: Country, GB: phone/gb, ZA: phone/za } }
trusted:
  number: { from: master.csv, column: No }
accepted:
  - { in: 'crew*.csv', column: Mobile, finding: duplicate, at-most: 2, because: shared }
  - { in: 'passes*.csv', column: Card, finding: check-digit, because: testing }
`
const opened = () => {
  const read = readRulesText(RULES)
  if (!read.ok) throw new Error(read.problems[0]!.message)
  return read.plain as PlainMap
}

describe('a rules file', () => {
  test.each([
    ['crew.csv', undefined, 1],
    ['crew-2.csv', undefined, 1],
    ['passes.csv', undefined, 0],
    ['freight.csv', undefined, undefined],
  ])('speaks of %s in entry %s %s', (file, sheet, entry) => {
    expect(entryFor(opened(), { file, sheet })).toBe(entry)
  })

  test('decides instead of the survey', () => {
    const { bindings, key, accepted, identifiers } = decidedBy(opened(), crew, COLUMNS)
    expect(bindings).toEqual({
      'Crew No': 'number',
      Mobile: { by: 'Country', GB: 'phone/gb', ZA: 'phone/za' },
    })
    expect(key).toBe('Name')
    expect(accepted.map(({ because }) => because)).toEqual(['shared'])
    expect(Object.keys(identifiers)).toEqual(['base', 'number', 'unused'])
  })

  test('which it does not speak of a file is proposed for, its definitions at hand', () => {
    const freight = { file: 'freight.csv', sheet: undefined }
    const { bindings, accepted, identifiers } = decidedBy(opened(), freight, COLUMNS)
    expect(bindings).toEqual({ Mobile: 'phone/gb', 'Crew No': 'crew-no' })
    expect(accepted).toEqual([])
    expect(Object.keys(identifiers)).toEqual(['base', 'number', 'unused', 'crew-no'])
  })

  test('comes back as it was where nothing was decided', () => {
    const decisions = decidedBy(opened(), crew, COLUMNS)
    const written = readRulesText(rulesText(wholeRules(decisions, crew, 2)))
    if (!written.ok) throw new Error(written.problems[0]!.message)
    const { accepted, ...rest } = written.plain as PlainMap
    const { accepted: before, ...restBefore } = opened()
    expect(rest).toEqual(restBefore)
    const inOrder = (list: unknown) =>
      (list as { because: string }[]).map(({ because }) => because).sort()
    expect(inOrder(accepted)).toEqual(inOrder(before))
  })

  test('for the open table alone holds what it needs and no more', () => {
    const rules = rulesForTable(decidedBy(opened(), crew, COLUMNS), crew, 2)
    expect(Object.keys(rules['identifiers'] as PlainMap)).toEqual(['base', 'number'])
    expect(rules['trusted']).toBeUndefined()
    expect(rules['columns']).toHaveLength(1)
    expect(rules['columns']).toMatchObject([
      { 'skip-last': '1', aliases: { 'Crew No': ['Number'] } },
    ])
    const read = isRead(rules)
    expect(read.ok && read.rules.columns[0]!.bind.get('Mobile')!.kind).toBe('by')
  })

  test('is changed where the steward changed it', () => {
    const before = decidedBy(opened(), crew, COLUMNS)
    const after: Decisions = {
      ...before,
      bindings: { ...before.bindings, 'Crew No': 'base' },
      accepted: [],
    }
    const rules = wholeRules(after, crew, 2)
    expect(rules['columns']).toMatchObject([
      { in: 'passes*.csv' },
      { in: 'crew*.csv', bind: { 'Crew No': 'base' } },
    ])
    expect((rules['accepted'] as unknown[]).length).toBe(1)
  })

  test('takes on a second file beside the first', () => {
    const first = decidedBy({}, crew, COLUMNS)
    const freight = { file: 'freight.csv', sheet: undefined }
    const second = decidedBy(wholeRules(first, crew, 1), freight, [
      column('Container', { entry: 'container/freight' }),
    ])
    const both = wholeRules(second, freight, 1)
    expect(both['columns']).toEqual([
      { in: 'crew.csv', bind: first.bindings },
      { in: 'freight.csv', bind: { Container: 'container/freight' } },
    ])
    // Back at the first, all is as it was decided.
    expect(decidedBy(both, crew, COLUMNS).bindings).toEqual(first.bindings)
  })
})

describe('history', () => {
  const start = history(EMPTY, { kind: 'start', decisions: decidedBy({}, crew, COLUMNS) })
  const decide = (state: typeof start, key: string) =>
    history(state, { kind: 'decide', what: key, change: (now) => ({ ...now, key }) })

  test('steps can be taken back and made again, one by one', () => {
    const two = decide(decide(start, 'Name'), 'Crew No')
    const one = history(two, { kind: 'undo' })
    expect(one.now.key).toBe('Name')
    expect(one.future[0]?.what).toBe('Crew No')
    expect(history(one, { kind: 'redo' })).toEqual(two)
    expect(history(history(one, { kind: 'undo' }), { kind: 'undo' }).now).toEqual(start.now)
  })
  test('a new step after one taken back leaves nothing to make again', () => {
    const other = decide(history(decide(start, 'Name'), { kind: 'undo' }), 'Mobile')
    expect(other.future).toEqual([])
    expect(history(other, { kind: 'redo' })).toEqual(other)
  })
  test('what changes nothing is no step', () => {
    const same = history(start, { kind: 'decide', what: 'nothing', change: (now) => now })
    expect(same.past).toEqual([])
  })
})

test.each([
  ['Crew No', 'crew-no'],
  ['  Tax-No. ', 'tax-no'],
  ['2nd Phone', 'nd-phone'],
  ['№', 'column'],
])('a definition for %j is named %s', (header, name) => {
  expect(nameFor(header)).toBe(name)
})
