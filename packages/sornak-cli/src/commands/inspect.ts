// sornak inspect: a verdict for every bound value of every file.

import {
  FINDING_CODES,
  meansFile,
  nearest,
  PLAIN,
  VERDICTS,
  type Accepted,
  type ColumnTally,
  type Rules,
} from 'sornak'
import { acceptance, type Told } from '../acceptance.js'
import { bindRun, delimiterOf, relativePath, ruleFor, type BindFlags } from '../binding.js'
import { inspectFile, type FileRule } from '../inspect-file.js'
import { keepInputs, openOutput, tell } from '../output.js'
import { paintFor } from '../paint.js'
import { progress } from '../progress.js'
import { REPORTS, reportFor } from '../inspect-report.js'
import { openSource } from '../source.js'
import { STATUS, Stop, usage } from '../stop.js'
import { trustedLists } from '../trusted-lists.js'

export interface InspectFlags extends BindFlags {
  readonly format: string
  readonly out?: string
  readonly reveal?: boolean
  readonly failOn?: string
  readonly quiet?: boolean
  readonly candidates: string
  readonly delimiter?: string
  readonly encoding?: string
  readonly stdinName?: string
  readonly allowMissing?: boolean
  readonly profile?: boolean
  readonly color: boolean
}

export async function inspect(files: readonly string[], flags: InspectFlags): Promise<number> {
  const run = prepare(files, flags)
  keepInputs([...files, flags.rules], [flags.out])
  const output = openOutput(flags.out)
  const paint = flags.out === undefined ? paintFor(process.stdout, flags.color) : PLAIN
  const report = reportFor(flags.format, output, paint, flags.reveal === true)
  const failOn = failures(flags.failOn)
  const totals = {
    failed: false,
    unreadable: 0,
    records: 0,
    columns: [] as ColumnTally[],
    unbound: [] as { file: string; columns: readonly string[] }[],
    notices: [] as string[],
    errors: 0,
  }
  const met = new Set<Accepted>()
  const trusted = await trustedLists(run.rules, run.base)

  for (const { path, name, rule } of run.files) {
    let source
    try {
      source = openSource(path, name, flags.encoding)
      const file = await inspectFile(
        source,
        rule,
        { ...run.options, trusted },
        progress(name, flags.quiet === true),
      )
      const accept = await acceptance(run.rules, name, run.base, file, met)
      const { tallies, failed, errors } = await report.file(name, file, accept, failOn)
      totals.failed ||= failed
      totals.errors += errors
      totals.records += file.records
      totals.columns.push(...tallies)
      totals.unbound.push({ file: name, columns: file.unbound })
      totals.notices.push(...file.notices)
    } catch (error) {
      // One file that cannot be read does not keep the others from being inspected.
      if (!(error instanceof Stop) || error.status !== STATUS.unreadable || run.files.length === 1)
        throw error
      totals.unreadable++
      const line = {
        file: name,
        record: null,
        line: null,
        code: 'unreadable',
        message: error.message,
        todo: error.todo,
      }
      report.error(line)
    } finally {
      source?.close()
    }
  }
  for (const accepted of run.rules?.accepted ?? []) {
    const here = run.files.some(({ name }) => meansFile(accepted.in, relativePath(run.base, name)))
    if (here && !met.has(accepted))
      totals.notices.push(
        `Accepted "${accepted.finding}" in "${accepted.column}" matches nothing any more; take it out of the rules file.`,
      )
  }
  const status = totals.unreadable
    ? STATUS.unreadable
    : totals.failed || totals.errors
      ? STATUS.findings
      : STATUS.fine
  report.end({
    files: run.files.length,
    records: totals.records,
    errors: totals.errors + totals.unreadable,
    columns: totals.columns,
    unbound: totals.unbound,
    notices: totals.notices,
    status,
  })
  if (totals.unreadable === 0 || flags.out === undefined) output.finish()
  else tell(`${flags.out} was not written, because not every file could be read.`)
  return status
}

interface Run {
  readonly files: readonly {
    readonly path: string
    readonly name: string
    readonly rule: FileRule
  }[]
  readonly rules: Rules | undefined
  /** Paths in the rules file are relative to this directory. */
  readonly base: string
  readonly options: {
    readonly delimiter: string | undefined
    readonly reveal: boolean
    readonly candidates: number
    readonly allowMissing: boolean
    readonly profile: boolean
  }
}

function prepare(files: readonly string[], flags: InspectFlags): Run {
  if (files.length === 0)
    throw usage('No file is named.', 'Name one or more files, or "-" for standard input.')
  if (!REPORTS.includes(flags.format))
    throw usage(`There is no format "${flags.format}".`, `Write one of: ${REPORTS.join(', ')}.`)
  if (!/^\d{1,4}$/.test(flags.candidates))
    throw usage(`--candidates takes a whole number, not "${flags.candidates}".`)
  const { rules, base, single } = bindRun(flags)
  const options = {
    delimiter: delimiterOf(flags.delimiter),
    reveal: flags.reveal === true,
    candidates: Number.parseInt(flags.candidates, 10),
    allowMissing: flags.allowMissing === true,
    profile: flags.profile === true,
  }
  return {
    rules,
    base,
    options,
    files: files.map((path) => {
      const name = path === '-' ? (flags.stdinName ?? 'standard input') : path
      return { path, name, rule: single ?? ruleFor(rules!, path, name, base) }
    }),
  }
}

function failures(text: string | undefined): (finding: Told) => boolean {
  if (text === undefined)
    return (one) =>
      one.kind === 'column' ||
      (one.verdict !== 'intact' && one.verdict !== 'blank') ||
      (one.verdict === 'intact' && one.findings.length > 0)
  const words = text
    .split(',')
    .map((word) => word.trim())
    .filter((word) => word !== 'none')
  const known = [...VERDICTS, ...FINDING_CODES]
  for (const word of words) {
    if ((known as readonly string[]).includes(word)) continue
    const near = nearest(word, known)
    throw usage(
      `--fail-on knows no verdict or finding "${word}".`,
      near ? `Did you mean "${near}"?` : `Verdicts: ${VERDICTS.join(', ')}.`,
    )
  }
  return (one) =>
    one.kind === 'column'
      ? words.includes(one.finding)
      : words.includes(one.verdict) || one.findings.some((code) => words.includes(code))
}
