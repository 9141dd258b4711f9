// What the steward decided, and nothing else: it can be undone step by step, and saved as a rules file.

import { meansFile, type Plain, type PlainMap } from 'sornak'
import type { MendChoice, SurveyedColumn } from '../worker/protocol.js'

export interface Decisions {
  /** Definitions of one's own, as a rules file has them. */
  readonly identifiers: Readonly<Record<string, PlainMap>>
  /**
   * Which identifier a column holds, by name or, where that depends on another column, as a rules file says it;
   * left out where it holds none.
   */
  readonly bindings: Readonly<Record<string, Plain>>
  readonly key: string | undefined
  readonly accepted: readonly AcceptedFinding[]
  /** What a rules file says besides: of other files, and of how this one is read. */
  readonly besides: Besides
  /** Candidates that were chosen, by record and column. */
  readonly chosen: Readonly<Record<string, string>>
  readonly mend: MendChoice
}

/** As a rules file has it. */
export interface AcceptedFinding {
  readonly in?: string
  readonly column: string
  readonly finding: string
  readonly because: string
  readonly 'at-most'?: string
  readonly by?: string
  readonly until?: string
}

export interface Besides {
  readonly rules: PlainMap
  /** Which of its entries under `columns` speaks of the open table. */
  readonly entry: number | undefined
}

/** The table that is open, as rules speak of it. */
export interface TableName {
  readonly file: string
  readonly sheet: string | undefined
}

export const NO_DECISIONS: Decisions = {
  identifiers: {},
  bindings: {},
  key: undefined,
  accepted: [],
  besides: { rules: {}, entry: undefined },
  chosen: {},
  mend: 'none',
}

export interface History {
  readonly past: readonly Step[]
  readonly now: Decisions
  readonly future: readonly Step[]
}

/** What stood before or after, and what the step did. */
interface Step {
  readonly what: string
  readonly decisions: Decisions
}

export type HistoryAction =
  | {
      readonly kind: 'decide'
      readonly what: string
      readonly change: (now: Decisions) => Decisions
    }
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' }
  | { readonly kind: 'start'; readonly decisions: Decisions }

export const EMPTY: History = { past: [], now: NO_DECISIONS, future: [] }

export function history({ past, now, future }: History, action: HistoryAction): History {
  switch (action.kind) {
    case 'start':
      return { past: [], now: action.decisions, future: [] }
    case 'decide': {
      const next = action.change(now)
      if (next === now) return { past, now, future }
      return { past: [...past, { what: action.what, decisions: now }], now: next, future: [] }
    }
    case 'undo': {
      const last = past.at(-1)
      if (!last) return { past, now, future }
      return {
        past: past.slice(0, -1),
        now: last.decisions,
        future: [{ what: last.what, decisions: now }, ...future],
      }
    }
    case 'redo': {
      const [first, ...rest] = future
      if (!first) return { past, now, future }
      return {
        past: [...past, { what: first.what, decisions: now }],
        now: first.decisions,
        future: rest,
      }
    }
  }
}

/**
 * What rules say of a table. Where they do not speak of it, its columns hold what the survey proposes; a mask of a
 * column's own becomes a definition named after it.
 */
export function decidedBy(
  rules: PlainMap,
  table: TableName,
  columns: readonly SurveyedColumn[],
): Decisions {
  const entry = entryFor(rules, table)
  const own = { ...(rules['identifiers'] as Decisions['identifiers'] | undefined) }
  const rule = entry === undefined ? undefined : entriesOf(rules)[entry]
  const bindings = { ...(rule?.['bind'] as PlainMap | undefined) }
  if (!rule)
    for (const { header, entry: known, stored } of columns) {
      if (known !== undefined) bindings[header] = known
      else if (stored !== undefined) {
        const name = nameFor(header)
        own[name] ??= { title: header, stored }
        bindings[header] = name
      }
    }
  return {
    ...NO_DECISIONS,
    identifiers: own,
    bindings,
    key: rule?.['key'] as string | undefined,
    accepted: acceptedIn(rules).filter((one) => isAbout(one, table)),
    besides: { rules, entry },
  }
}

/** Which entry under `columns` speaks of a table. */
export function entryFor(rules: PlainMap, { file, sheet }: TableName): number | undefined {
  const at = entriesOf(rules).findIndex((one) => meansFile(String(one['in']), file, sheet))
  return at < 0 ? undefined : at
}

export const entriesOf = (rules: PlainMap): readonly PlainMap[] =>
  (rules['columns'] as readonly PlainMap[] | undefined) ?? []

const acceptedIn = (rules: PlainMap) =>
  (rules['accepted'] as readonly (AcceptedFinding & { readonly in: string })[] | undefined) ?? []

const isAbout = ({ in: name = '' }: AcceptedFinding, { file, sheet }: TableName) =>
  meansFile(name, file, sheet)

export const nameFor = (header: string): string =>
  header
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '') || 'column'

/** The decisions as rules for the open table alone, with the definitions that it needs. */
export function rulesForTable(decisions: Decisions, table: TableName, headerRow: number): PlainMap {
  const { identifiers, bindings, accepted, besides } = decisions
  const used = new Set(
    Object.values(bindings).flatMap((to) => (typeof to === 'string' ? to : Object.values(to))),
  )
  // What a definition is like is needed too.
  const needed = new Set<Plain>(used)
  for (const name of needed) {
    const { like } = (typeof name === 'string' && identifiers[name]) || {}
    if (like !== undefined) needed.add(like)
  }
  const own = Object.entries(identifiers).filter(([name]) => needed.has(name))
  const { 'hand-overs': handOvers } = besides.rules
  return {
    sornak: '1',
    ...(own.length && { identifiers: Object.fromEntries(own) }),
    columns: [entryOf(decisions, table, headerRow)],
    ...(handOvers !== undefined && { 'hand-overs': handOvers }),
    ...(accepted.length && { accepted: accepted.map((one) => ({ in: table.file, ...one })) }),
  }
}

/** The decisions as a rules file has them, with what it said besides. */
export function wholeRules(decisions: Decisions, table: TableName, headerRow: number): PlainMap {
  const { identifiers, accepted, besides } = decisions
  const { rules, entry } = besides
  const columns = [...entriesOf(rules)]
  if (entry !== undefined) columns[entry] = entryOf(decisions, table, headerRow)
  else if (Object.keys(decisions.bindings).length)
    columns.push(entryOf(decisions, table, headerRow))
  const others = acceptedIn(rules).filter((one) => !isAbout(one, table))
  const all = [...others, ...accepted].map((one): PlainMap => ({ in: table.file, ...one }))
  const { title, trusted, 'hand-overs': handOvers } = rules
  return {
    sornak: '1',
    ...(title !== undefined && { title }),
    ...(Object.keys(identifiers).length && { identifiers }),
    ...(columns.length && { columns }),
    ...(trusted !== undefined && { trusted }),
    ...(handOvers !== undefined && { 'hand-overs': handOvers }),
    ...(all.length && { accepted: all }),
  }
}

function entryOf(
  { bindings, key, besides }: Decisions,
  { file, sheet }: TableName,
  headerRow: number,
): PlainMap {
  const before = besides.entry === undefined ? {} : entriesOf(besides.rules)[besides.entry]!
  const { in: name, key: _key, bind: _bind, 'header-row': _row, ...reading } = before
  return {
    in: name ?? (sheet === undefined ? file : `${file}#${sheet}`),
    ...(headerRow > 1 && { 'header-row': `${headerRow}` }),
    ...reading,
    ...(key !== undefined && { key }),
    bind: bindings,
  }
}
