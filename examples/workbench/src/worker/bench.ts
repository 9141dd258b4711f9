// What lies on the bench: one open table, what was found in it, and a second list. It stays in the worker; the
// page sees counts, and windows of rows.

import { HAND_OVERS, type Definition, type PageFile, type Rules, type ValueFinding } from 'sornak'
import {
  acceptance,
  bytesOf,
  gatherFile,
  headerRowOf,
  inspectFile,
  inputsOf,
  memorySource,
  noProgress,
  readTexts,
  rehearseSource,
  surveySource,
  unbound,
  type FileRule,
  type Input,
  type Progress,
  type Source,
} from 'sornak-files'
import { changesOf, mendedCopy, report } from './exports.js'
import { findings, type Findings } from './found.js'
import { compared, type Lists } from './lists.js'
import type { Inspected, Kind, Replies, Requests, SurveyedColumn } from './protocol.js'
import { rulesFile, rulesOf } from './rules.js'
import { blobSource, inBlobs } from './sources.js'

export type Handlers = {
  [K in Kind]: (
    body: Requests[K],
    progress: Progress,
    first: (value: Inspected) => void,
  ) => Promise<Replies[K]> | Replies[K]
}

/** Of a long file so much is looked at before the rest, in bytes. */
const FIRST_LOOK = 1024 * 1024
const SURVEYED = 1 * 1024 * 1024
const REHEARSED = 2 * 1024 * 1024

export function bench(): Handlers {
  let file: File | undefined
  let original: Source | undefined
  let inputs: readonly Input[] = []
  let input: Input | undefined
  let source: Source | undefined
  let headers: readonly string[] = []
  let headerRow = 1
  let found: Findings | undefined
  let page: PageFile | undefined
  let rules: Rules | undefined
  let isAccepted: (finding: ValueFinding) => boolean = () => false
  let revealed: ReadonlySet<string> = new Set()
  let second: Source | undefined
  let secondRow = 1
  let lists: Lists | undefined
  let listColumn = ''

  const table = () => {
    if (!source) throw unbound('No table is open.', 'Open a file first.')
    return source
  }

  const sheet = () => ({ source: table(), headers, headerRow })

  async function inspect(
    from: Source,
    rule: FileRule,
    entries: Rules['accepted'],
    progress: Progress,
  ) {
    const definitions = definitionsOf(rule)
    const into = findings(definitions, () => revealed)
    const options = {
      reveal: true,
      hiddenWhy: true,
      candidates: 20,
      allowMissing: false,
      profile: false,
      trusted: new Map<string, never>(),
    }
    const inspected = await inspectFile(from, rule, options, progress)
    const accepted = await acceptance(entries, inspected, new Set())
    const ragged = { count: 0, rows: { ranges: [] as [number, number][], more: 0, last: -1 } }
    const gathered = await gatherFile(from.name, inspected, accepted, {
      value: (finding) => into.add(finding),
      column: () => {},
      ragged: () => void ragged.count++,
    })
    return { into, inspected, accepted, page: { ...gathered, ragged }, definitions }
  }

  return {
    async open({ file: given, layout }) {
      file = given
      original = blobSource(given.name, given)
      const opened = await inputsOf(original, { layout }, inBlobs)
      inputs = opened.inputs
      source = input = found = page = lists = second = undefined
      return {
        name: given.name,
        size: given.size,
        format: inputs[0]!.format,
        sheets: inputs.map(({ sheet }) => sheet),
        notices: opened.notices,
      }
    },

    async rules({ file: given }) {
      return { plain: await rulesFile(given) }
    },

    async choose({ sheet, headerRow: given }, progress) {
      input = inputs.find((one) => one.sheet === sheet) ?? inputs[0]
      if (!input) throw unbound('No file is open.', 'Open one first.')
      source = await input.open(progress)
      found = page = lists = undefined
      // Much of a long file adds little to what its columns seem to hold.
      const long = source.size > SURVEYED
      headerRow = given ?? (await headerRowOf(source))
      const columns = await surveySource(
        long ? startOf(source, SURVEYED) : source,
        progress,
        headerRow,
      )
      headers = columns.map(({ look }) => look.header)
      return {
        sheet: input.sheet,
        headerRow,
        first: long ? (columns[0]?.look.values ?? 0) : undefined,
        columns: columns.map(({ look, guess }): SurveyedColumn => ({
          header: look.header,
          values: look.values,
          blank: look.blank,
          kind: guess.kind,
          entry: guess.entry,
          stored: guess.stored,
          others: guess.others,
          why: guess.why,
          widths: [...look.widths].sort((a, b) => b[1] - a[1]),
          leadingZeros: look.leadingZeros,
          beyond15: look.beyond15,
          damaged: [...guess.damaged]
            .map(([code, count]) => [code, count / Math.max(1, look.sample.length)] as const)
            .sort((a, b) => b[1] - a[1]),
        })),
      }
    },

    async inspect({ rules: plain }, progress, first) {
      const began = performance.now()
      const from = table()
      rules = rulesOf(plain)
      const rule = boundRule(rules)
      const { accepted: entries } = rules
      if (from.size > 2 * FIRST_LOOK) {
        const head = await inspect(startOf(from), rule, entries, noProgress)
        first(summaryOf(head, true, performance.now() - began))
      }
      const whole = await inspect(from, rule, entries, progress)
      found = whole.into
      page = whole.page
      isAccepted = whole.accepted
      return summaryOf(whole, false, performance.now() - began)
    },

    page({ filter, from, count }) {
      return found?.page(filter, from, count) ?? { total: 0, from, rows: [] }
    },

    near({ filter, record, column }) {
      return { index: found?.near(filter, record, column) ?? 0 }
    },

    reveal({ columns }) {
      revealed = new Set(columns)
      return null
    },

    async rehearse({ rules: plain }, progress) {
      const from = table()
      const read = rulesOf(plain)
      const rule = boundRule(read)
      const handOvers = [...new Map([...HAND_OVERS, ...read.handOvers]).values()]
      const part = from.size > REHEARSED ? startOf(from, REHEARSED) : from
      const columns = await rehearseSource(part, rule, handOvers, progress)
      return columns.map(({ header, rehearsal, definition }) => ({
        header,
        identifier: definition.key,
        sample: part === from ? undefined : (rehearsal.results[0]?.values ?? 0),
        results: rehearsal.results.map(({ handOver, examples, ...counts }) => ({
          ...counts,
          id: handOver.id,
          title: handOver.title,
          // Examples are values; they are shown for what may be seen.
          examples: definition.sensitivity === 'open' || revealed.has(header) ? examples : [],
        })),
      }))
    },

    async second({ file: given }, progress) {
      const opened = await inputsOf(blobSource(given.name, given), {}, inBlobs)
      second = await opened.inputs[0]!.open(progress)
      secondRow = await headerRowOf(second)
      let names: readonly string[] = []
      await readTexts(
        second,
        { header: (all) => void (names = all), record: () => {} },
        noProgress,
        secondRow,
      )
      return { name: given.name, headers: names }
    },

    async compare({ rules: plain, column, other }, progress) {
      if (!second) throw unbound('No second list is open.', 'Open one first.')
      const binding = rulesOf(plain).columns[0]?.bind.get(column)
      if (binding?.kind !== 'one') throw unbound(`"${column}" is not bound to one identifier.`)
      listColumn = column
      lists = await compared(
        { source: table(), column, headerRow },
        { source: second, column: other, headerRow: secondRow },
        binding.definition,
        progress,
      )
      return lists.compared
    },

    pairs({ match, from, count }) {
      return lists?.pairs(match, from, count, revealed.has(listColumn)) ?? []
    },

    mend({ mend, chosen }) {
      if (!found) return { exact: 0, odds: 0, chosen: 0, left: 0 }
      return changesOf(found.all(), { mend, chosen }, sheet(), isAccepted).counts
    },

    async export({ what, mend, chosen }, progress) {
      if (!found || !page || !rules) throw unbound('Nothing was inspected yet.')
      if (what === 'report') return [report(hiddenPage(page, found), [], revealed.size > 0)]
      const { changes } = changesOf(found.all(), { mend, chosen }, sheet(), isAccepted)
      const identifiers = new Set(rules.columns[0]!.bind.keys())
      return mendedCopy(input!, sheet(), original!, file!, identifiers, changes, progress)
    },
  }
}

function boundRule({ columns: [rule] }: Rules): FileRule {
  if (!rule?.bind.size) throw unbound('No column is bound.', 'Say what at least one column holds.')
  return rule
}

type Looked = { into: Findings; page: PageFile; definitions: ReadonlyMap<string, Definition> }

function summaryOf({ into, page, definitions }: Looked, first: boolean, time: number): Inspected {
  return {
    first,
    records: page.records,
    unbound: page.unbound,
    listed: into.all().length,
    found: into.met,
    milliseconds: Math.round(time),
    columns: page.columns.map((column) => ({
      header: column.column,
      identifiers: column.identifiers,
      hidden: column.identifiers.some((key) => definitions.get(key)?.sensitivity !== 'open'),
      values: column.values,
      verdicts: column.verdicts,
      findings: [...column.findings].map(([code, { count }]) => ({ code, count })),
      accepted: column.accepted,
      strip: page.strips.get(column.column)!,
      evidence: column.runs.map(({ finding, from, to, bits, why }) => ({
        finding,
        from,
        to,
        bits,
        why,
      })),
    })),
  }
}

function definitionsOf({ bind }: FileRule): Map<string, Definition> {
  const definitions = new Map<string, Definition>()
  for (const binding of bind.values())
    for (const one of binding.kind === 'one' ? [binding.definition] : binding.cases.values())
      definitions.set(one.key, one)
  return definitions
}

// The whole records of the first part of a table.
function startOf(source: Source, size = FIRST_LOOK): Source {
  const head = bytesOf(source, 0, size)
  const end = head.lastIndexOf(10) + 1
  const part = memorySource(source.name, head.subarray(0, end || head.length), source.storage)
  return { ...source, size: part.size, read: part.read }
}

// The examples in a report are seen as the values on the page are.
function hiddenPage(page: PageFile, found: Findings): PageFile {
  const columns = page.columns.map((column) => ({
    ...column,
    findings: new Map(
      [...column.findings].map(([code, one]) => [
        code,
        { ...one, examples: one.examples.map(found.seen) },
      ]),
    ),
  }))
  return { ...page, columns }
}
