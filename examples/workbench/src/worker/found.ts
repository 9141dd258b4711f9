// The findings of a table: kept in full in the worker, listed by a filter, handed out a window at a time with
// everything hidden that the rules hide.

import { hide, sayer, type Definition, type ValueFinding } from 'sornak'
import type { Filter, Page, Row } from './protocol.js'

/** More are counted and not listed. */
const MOST_LISTED = 400_000

export interface Findings {
  add(finding: ValueFinding): void
  /** How many were met. */
  readonly met: number
  all(): readonly ValueFinding[]
  page(filter: Filter, from: number, count: number): Page
  /** Where the finding nearest to a place stands in the list. */
  near(filter: Filter, record: number, column: string): number
  /** The finding with its texts as they may be seen now. */
  seen(finding: ValueFinding): ValueFinding
}

export function findings(
  definitions: ReadonlyMap<string, Definition>,
  revealed: () => ReadonlySet<string>,
): Findings {
  const list: ValueFinding[] = []
  let met = 0
  let last: { key: string; indexes: number[] } | undefined

  function listed(filter: Filter): number[] {
    const key = `${list.length} ${JSON.stringify(filter)}`
    if (last?.key === key) return last.indexes
    const indexes: number[] = []
    list.forEach((one, i) => {
      if (filter.column !== undefined && one.column !== filter.column) return
      if (filter.verdict !== undefined && one.verdict !== filter.verdict) return
      if (
        filter.finding !== undefined &&
        !(one.findings as readonly string[]).includes(filter.finding)
      )
        return
      indexes.push(i)
    })
    last = { key, indexes }
    return indexes
  }

  const mayShow = ({ column, identifier }: ValueFinding) => {
    const definition = definitions.get(identifier)
    return { definition, open: !definition || revealed().has(column) }
  }

  function rowOf(finding: ValueFinding): Row {
    const { definition, open } = mayShow(finding)
    const say = definition ? sayer(definition, open) : (text: string) => text
    const text = finding.value.trim()
    const secret = !open && definition?.sensitivity === 'secret'
    const shown = definition?.display.show(plainOf(definition, finding.mend ?? text))
    return {
      record: finding.record,
      place: finding.cell ?? (finding.line === null ? '' : `line ${finding.line}`),
      key: finding.key === null ? null : keyText(finding.key, open),
      column: finding.column,
      identifier: finding.identifier,
      stored: say(finding.value),
      shown: shown?.ok ? sayShown(definition!, shown.text, open) : '',
      verdict: finding.verdict,
      finding: finding.finding,
      findings: finding.findings,
      mend: finding.mend === null ? null : say(finding.mend),
      proof: finding.proof,
      candidates: secret ? [] : finding.candidates.map(say),
      possible: finding.possible === null ? null : finding.possible.toString(),
      why: open ? finding.why : (finding.hiddenWhy ?? ''),
      hidden: say(finding.value) !== finding.value,
    }
  }

  return {
    get met() {
      return met
    },
    add(finding) {
      met++
      if (list.length < MOST_LISTED) list.push(finding)
    },
    all: () => list,
    page(filter, from, count) {
      const indexes = listed(filter)
      const rows = indexes.slice(from, from + count).map((i) => rowOf(list[i]!))
      return { total: indexes.length, from, rows }
    },
    near(filter, record, column) {
      const indexes = listed(filter)
      const at = indexes.findIndex((i) => {
        const one = list[i]!
        return one.record > record || (one.record === record && one.column >= column)
      })
      return at < 0 ? Math.max(0, indexes.length - 1) : at
    },
    seen(finding) {
      const { definition, open } = mayShow(finding)
      const say = definition ? sayer(definition, open) : (text: string) => text
      return {
        ...finding,
        key: finding.key === null ? null : keyText(finding.key, open),
        value: say(finding.value),
        mend: finding.mend === null ? null : say(finding.mend),
        candidates: finding.candidates.map(say),
        why: open ? finding.why : (finding.hiddenWhy ?? ''),
      }
    },
  }
}

function plainOf(definition: Definition, stored: string): string {
  const read = definition.stored.read(stored)
  return read.ok ? read.plain : stored
}

// A display is hidden like what it shows, its separators kept.
function sayShown(definition: Definition, text: string, open: boolean): string {
  if (open || definition.sensitivity === 'open') return text
  return hide(text, definition.reveal)
}

// What names a row is a value of some column too; it is seen with the columns that are.
const keyText = (key: string, open: boolean) => (open ? key : hide(key))
