// sornak mend: a copy of a file with every mend that is proven, a record of the changes, and a list of what
// is left. The file itself is never changed.

import {
  addFinding,
  columnTally,
  FINDING_CODES,
  nearest,
  PLAIN,
  rowsText,
  wrap,
  type ColumnTally,
  type Definition,
  type Paint,
  type TrustedList,
  type ValueFinding,
} from 'sornak'
import { acceptance, type Change, type FileRule } from 'sornak-files'
import { acceptedIn, bindRun, type BindFlags, type BoundRun } from '../binding.js'
import { eachBoundInput } from '../bound-inputs.js'
import { hashOf, readRecord, recordPath, tablePath, writeRecord } from '../change-record.js'
import { oneInput, type OpenedInput } from '../inputs.js'
import { inspected } from '../inspected.js'
import { jobsFor, type ReadFlags } from '../read-flags.js'
import type { BoundBy } from '../threads.js'
import { writeMended } from '../mended.js'
import { keepInputs, openOutput, tell } from '../output.js'
import { paintFor } from '../paint.js'
import { progress } from '../progress.js'
import { changeFor, readAnswers, writeQuestions, type Answer } from '../questions.js'
import { STATUS, unreadable, usage } from '../stop.js'
import { trustedLists } from '../trusted-lists.js'

export interface MendFlags extends BindFlags, ReadFlags {
  readonly out?: string
  readonly only?: string
  readonly accept?: string
  readonly dryRun?: boolean
  readonly ask?: string
  readonly answers?: string
  readonly replay?: string
  readonly undo?: string
  readonly allowMissing?: boolean
  readonly color: boolean
}

export async function mend(path: string, flags: MendFlags): Promise<number> {
  const { out } = flags
  if (path === '-' && !flags.dryRun)
    throw usage('A file is mended into another.', 'Name the file instead of standard input.')
  if (out === undefined && !flags.dryRun)
    throw usage('Nothing says where the mended copy goes.', 'Add -o with a file, or --dry-run.')
  keepInputs(
    [path, flags.rules, flags.answers, flags.replay, flags.undo],
    [out, flags.ask, out && recordPath(out), out && tablePath(out)],
  )
  if (flags.replay !== undefined || flags.undo !== undefined) return again(path, flags)
  const accept = flags.accept ?? 'all'
  if (accept !== 'all' && accept !== 'exact')
    throw usage(`--accept cannot be "${accept}".`, 'Write exact, or leave it out.')
  const only = codes(flags.only)
  const run = bindRun(flags)
  const answers = flags.answers === undefined ? [] : await readAnswers(flags.answers)
  const trusted = await trustedLists(run.rules, run.base)
  let status: number = STATUS.fine
  let done = false
  await eachBoundInput(path, path, run, flags, tell, async (input, rule, bound) => {
    if (done)
      throw usage(
        `${path} has several sheets or tables that are bound.`,
        'Mend one at a time: say which with --sheet.',
      )
    done = true
    status = await mendInput(input, rule, { run, bound, only, accept, answers, trusted, flags })
  })
  return status
}

interface Mending {
  readonly run: BoundRun
  readonly bound: BoundBy
  readonly only: ReadonlySet<string> | undefined
  readonly accept: 'all' | 'exact'
  readonly answers: readonly Answer[]
  readonly trusted: ReadonlyMap<string, TrustedList>
  readonly flags: MendFlags
}

async function mendInput(
  input: OpenedInput,
  rule: FileRule,
  { run, bound, only, accept, answers, trusted, flags }: Mending,
): Promise<number> {
  const { path, name, sheet, source } = input
  const { out } = flags
  const options = {
    reveal: true,
    candidates: 10,
    allowMissing: flags.allowMissing === true,
    profile: false,
    trusted,
  }
  const bar = progress(name, flags.quiet === true)
  const jobs = jobsFor(source.size, flags)
  const file = await inspected(source, rule, options, bar, bound, jobs)
  const accepted = await acceptance(acceptedIn(run.rules, path, run.base, sheet), file, new Set())
  const given = answersIn(answers, rule)
  const changes: Change[] = []
  const left: ValueFinding[] = []
  const runs = file.columns.filter((one) => !accepted(one))
  const columns = file.inspection.counts.map(({ column }) => ({
    tally: columnTally(name, column, runs),
    exact: 0,
    odds: 0,
    answered: 0,
  }))
  const { headers } = file.inspection.table
  const storedCell = ({ record, column }: ValueFinding) =>
    source.storage?.cell(record + rule.headerRow - 1, headers.indexOf(column))
  await file.second((found) => {
    if (found.kind !== 'value' || found.verdict === 'intact') return
    const column = columns.find(({ tally }) => tally.column === found.column)!
    const answered = given.changeFor(found)
    if (answered) {
      column.answered++
      changes.push(answered)
      return
    }
    if (accepted(found)) return
    const { mend, proof, finding, findings } = found
    const wanted = only === undefined || findings.some((code) => only.has(code))
    const cell = storedCell(found)
    if (
      cell?.formula !== true &&
      mend !== null &&
      proof &&
      wanted &&
      (accept === 'all' || proof === 'exact')
    ) {
      const { record, line, key, identifier, value: before, sheet: on, cell: at } = found
      column[proof]++
      changes.push({
        record,
        line,
        key,
        column: found.column,
        identifier,
        before,
        after: mend,
        finding,
        ...(at !== undefined && { sheet: on, cell: at, number: cell?.as === 'number' }),
        proof,
      })
    } else {
      left.push(found)
      addFinding(column.tally, found)
    }
  })
  given.end(flags.answers)
  if (out !== undefined && !flags.dryRun) await write(input, rule, out, flags, changes)
  if (flags.ask !== undefined) {
    const questions = openOutput(flags.ask, 0o600)
    writeQuestions(
      questions,
      left.filter(({ verdict }) => verdict !== 'mendable'),
    )
    questions.finish()
  }
  const paint = paintFor(process.stdout, flags.color)
  const said = openOutput(undefined)
  said.write(report({ path, records: file.records, columns, changes, left, flags }, paint))
  said.finish()
  return left.length ? STATUS.findings : STATUS.fine
}

// The copy appears last: where it stands, its record does too.
async function write(
  input: OpenedInput,
  rule: FileRule,
  out: string,
  flags: MendFlags,
  changes: readonly Change[],
): Promise<void> {
  const output = openOutput(out)
  const identifiers = new Set([...rule.bind.keys()])
  const { headerRow } = rule
  const bar = progress(out, flags.quiet === true)
  const to = await writeMended(input, headerRow, identifiers, changes, out, output, bar)
  const from = input.format === 'database' ? null : hashOf(input.path)
  writeRecord(out, { from, to, headerRow, sheet: input.sheet, changes })
  output.finish()
}

// Replays a change record on the file that it was made for, or undoes it in the copy.
async function again(path: string, flags: MendFlags): Promise<number> {
  const undo = flags.undo !== undefined
  const record = readRecord((flags.undo ?? flags.replay)!)
  const [want, changes] = undo
    ? [record.to, record.changes.map(undone)]
    : [record.from, record.changes]
  if (want === null)
    throw usage('The change record is about a database, which is not mended in place.')
  const reading = record.sheet === undefined ? flags : { ...flags, sheet: record.sheet }
  return oneInput(path, path, reading, async (input) => {
    if (hashOf(path) !== want)
      throw unreadable(
        `${path} is not the file that the change record is about.`,
        undo ? 'Name the mended copy, unchanged.' : 'Name the file that was mended, unchanged.',
      )
    if (flags.dryRun) {
      tell(`${path} is the file of the record; ${changes.length} values would be changed.`)
      return STATUS.fine
    }
    const output = openOutput(flags.out)
    const identifiers = new Set(changes.map(({ column }) => column))
    const bar = progress(path, flags.quiet === true)
    const { headerRow } = record
    const got = await writeMended(input, headerRow, identifiers, changes, flags.out!, output, bar)
    // A workbook that is undone has its cells as they were, in a container that is packed anew.
    const packed = input.format === 'xlsx' || input.format === 'ods'
    const expected = undo ? record.from : record.to
    if (flags.encoding === undefined && !(packed && undo) && got !== expected)
      throw unreadable(`What came out is not what the change record says; nothing was written.`)
    output.finish()
    tell(`${flags.out} has ${changes.length} values ${undo ? 'as they were before' : 'mended'}.`)
    return STATUS.fine
  })
}

const undone = ({ number, ...one }: Change): Change => ({
  ...one,
  before: one.after,
  after: one.before,
  ...(number === true && { restore: true }),
})

function codes(text: string | undefined): ReadonlySet<string> | undefined {
  if (text === undefined) return undefined
  const words = text.split(',').map((word) => word.trim())
  for (const word of words) {
    if ((FINDING_CODES as readonly string[]).includes(word)) continue
    const near = nearest(word, FINDING_CODES)
    throw usage(
      `--only knows no finding "${word}".`,
      near ? `Did you mean "${near}"?` : `Findings: ${FINDING_CODES.join(', ')}.`,
    )
  }
  return new Set(words)
}

// Answers by record and column; those that are wrong are told together.
function answersIn(answers: readonly Answer[], rule: FileRule) {
  const by = new Map(answers.map((one) => [`${one.record} ${one.column}`, one]))
  const wrong: string[] = []
  const definitions = new Map<string, Definition>()
  for (const binding of rule.bind.values()) {
    const all = binding.kind === 'one' ? [binding.definition] : [...binding.cases.values()]
    for (const definition of all) definitions.set(definition.key, definition)
  }
  return {
    changeFor(found: ValueFinding): Change | undefined {
      const place = `${found.record} ${found.column}`
      const answer = by.get(place)
      if (!answer) return undefined
      by.delete(place)
      const change =
        answer.value === found.value.trim()
          ? changeFor(answer, found, definitions.get(found.identifier)!)
          : 'something else stands there now'
      if (typeof change !== 'string') return change
      wrong.push(`record ${found.record} "${found.column}": ${change}.`)
      return undefined
    },
    end(path: string | undefined): void {
      for (const { record, column } of by.values())
        wrong.push(`record ${record} "${column}": nothing was asked there.`)
      if (wrong.length)
        throw usage(
          `${path} has answers that cannot be taken:\n  ${wrong.slice(0, 20).join('\n  ')}`,
          'Nothing was written. Put them right, or take them out.',
        )
    },
  }
}

interface Told {
  readonly path: string
  readonly records: number
  readonly columns: readonly {
    readonly tally: ColumnTally
    readonly exact: number
    readonly odds: number
    readonly answered: number
  }[]
  readonly changes: readonly Change[]
  readonly left: readonly ValueFinding[]
  readonly flags: MendFlags
}

function report(
  { path, records, columns, changes, left, flags }: Told,
  paint: Paint = PLAIN,
): string {
  const { out, dryRun, ask } = flags
  const number = (n: number) => n.toLocaleString('en')
  const lines = [
    `${paint.strong(path)}  ${paint.quiet(`${number(records)} records`)}${dryRun ? '  nothing is written' : `  → ${out}`}`,
  ]
  for (const { tally, exact, odds, answered } of columns) {
    const mended = exact + odds + answered
    const how = [
      exact ? `${number(exact)} exact` : '',
      odds ? `${number(odds)} by odds` : '',
      answered ? `${number(answered)} by answers` : '',
    ].filter(Boolean)
    lines.push(
      '',
      `${paint.strong(tally.column)}  ${paint.quiet(tally.identifiers.join(', '))}`,
      mended
        ? `  ${paint.good(`${number(mended)} ${dryRun ? 'would be mended' : 'mended'}`)}: ${how.join(', ')}`
        : '  nothing to mend',
    )
    for (const [code, { count, rows, verdicts }] of tally.findings) {
      const words = [...verdicts].map(([verdict, n]) => `${number(n)} ${verdict}`).join(', ')
      lines.push(`  ${paint.warn(`left: ${words}`)}  ${code}; ${rowsText(rows, count)}`)
    }
    for (const { open } of tally.runs) if (open !== undefined) lines.push(wrap(open, 4))
  }
  lines.push('')
  if (!dryRun && out !== undefined)
    lines.push(
      `Changes: ${recordPath(out)} and ${tablePath(out)}`,
      paint.quiet('  They hold values in full; only you can read them.'),
    )
  if (ask !== undefined)
    lines.push(`Questions: ${ask}  ${paint.quiet('fill in the last column, then --answers')}`)
  else if (left.some(({ verdict }) => verdict !== 'mendable'))
    lines.push(
      `${number(left.length)} values are left as they were; --ask FILE writes what must be asked at the source.`,
    )
  else if (changes.length === 0 && left.length === 0) lines.push('Nothing is damaged.')
  return `${lines.join('\n')}\n`
}
