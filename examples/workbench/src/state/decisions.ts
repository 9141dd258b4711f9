// What the steward decided, and nothing else: it can be undone step by step, and saved as a rules file.

import type { PlainMap } from 'sornak'
import type { AcceptedFinding, MendChoice, SurveyedColumn } from '../worker/protocol.js'

export interface Decisions {
  /** Definitions of one's own, as a rules file has them. */
  readonly identifiers: Readonly<Record<string, PlainMap>>
  /** Which identifier a column holds; left out where it holds none. */
  readonly bindings: Readonly<Record<string, string>>
  readonly key: string | undefined
  readonly accepted: readonly AcceptedFinding[]
  /** Candidates that were chosen, by record and column. */
  readonly chosen: Readonly<Record<string, string>>
  readonly mend: MendChoice
}

export const NO_DECISIONS: Decisions = {
  identifiers: {},
  bindings: {},
  key: undefined,
  accepted: [],
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

/** The bindings that a survey proposes; a mask of a column's own becomes a definition named after it. */
export function proposed(
  columns: readonly SurveyedColumn[],
  identifiers: Decisions['identifiers'],
): Pick<Decisions, 'identifiers' | 'bindings'> {
  const own: Record<string, PlainMap> = { ...identifiers }
  const bindings: Record<string, string> = {}
  for (const { header, entry, stored } of columns) {
    if (entry !== undefined) bindings[header] = entry
    else if (stored !== undefined) {
      const name = nameFor(header)
      own[name] ??= { title: header, stored }
      bindings[header] = name
    }
  }
  return { identifiers: own, bindings }
}

export const nameFor = (header: string): string =>
  header
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '') || 'column'

/** The decisions as a rules file has them. */
export function rulesOf(
  { identifiers, bindings, key, accepted }: Decisions,
  file: string,
  headerRow: number,
  forInspection = false,
): PlainMap {
  const used = new Set(Object.values(bindings))
  const own = Object.entries(identifiers).filter(([name]) => !forInspection || used.has(name))
  return {
    sornak: '1',
    ...(own.length && { identifiers: Object.fromEntries(own) }),
    ...(Object.keys(bindings).length && {
      columns: [
        {
          in: file,
          ...(headerRow > 1 && { 'header-row': `${headerRow}` }),
          ...(key !== undefined && { key }),
          bind: bindings,
        },
      ],
    }),
    ...(!forInspection &&
      accepted.length && { accepted: accepted.map((one) => ({ in: file, ...one })) }),
  }
}
