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
import { existsSync, readdirSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { acceptance, FileProblem, type FileRule, type Told } from 'sornak-files'
import {
  acceptedIn,
  bindRun,
  isConnection,
  relativePath,
  ruleFor,
  type BindFlags,
  type BoundRun,
} from '../binding.js'
import { eachBoundInput } from '../bound-inputs.js'
import type { OpenedInput } from '../inputs.js'
import { inspected } from '../inspected.js'
import { jobsFor, type ReadFlags } from '../read-flags.js'
import type { BoundBy } from '../threads.js'
import { keepInputs, openOutput, tell } from '../output.js'
import { paintFor } from '../paint.js'
import { progress } from '../progress.js'
import { REPORTS, reportFor } from '../inspect-report.js'
import { STATUS, Stop, usage } from '../stop.js'
import { trustedLists } from '../trusted-lists.js'

export interface InspectFlags extends BindFlags, ReadFlags {
  readonly all?: boolean
  readonly format: string
  readonly out?: string
  readonly reveal?: boolean
  readonly failOn?: string
  readonly candidates: string
  readonly stdinName?: string
  readonly allowMissing?: boolean
  readonly profile?: boolean
  readonly onePass?: boolean
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

  const one = async (input: OpenedInput, rule: FileRule, bound: BoundBy) => {
    const { name, sheet, source } = input
    const bar = progress(name, flags.quiet === true)
    const options = { ...run.options, trusted }
    const file = await inspected(source, rule, options, bar, bound, jobsFor(source.size, flags))
    const accept = await acceptance(acceptedIn(run.rules, input.path, run.base, sheet), file, met)
    const { tallies, failed, errors } = await report.file(name, file, accept, failOn)
    totals.failed ||= failed
    totals.errors += errors
    totals.records += file.records
    totals.columns.push(...tallies)
    totals.unbound.push({ file: name, columns: file.unbound })
    totals.notices.push(...file.notices)
  }
  for (const { path, name } of run.files) {
    try {
      await eachBoundInput(path, name, run, flags, (text) => totals.notices.push(text), one)
    } catch (error) {
      // One file that cannot be read does not keep the others from being inspected.
      if (!isUnreadable(error) || run.files.length === 1) throw error
      totals.unreadable++
      const { message, todo } = error
      report.error({ file: name, record: null, line: null, code: 'unreadable', message, todo })
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

interface Run extends BoundRun {
  readonly files: readonly { readonly path: string; readonly name: string }[]
  readonly options: {
    readonly reveal: boolean
    readonly candidates: number
    readonly allowMissing: boolean
    readonly profile: boolean
    readonly onePass: boolean
  }
}

function isUnreadable(error: unknown): error is Stop | FileProblem {
  return error instanceof FileProblem
    ? error.code === 'unreadable'
    : error instanceof Stop && error.status === STATUS.unreadable
}

function prepare(given: readonly string[], flags: InspectFlags): Run {
  if (!REPORTS.includes(flags.format))
    throw usage(`There is no format "${flags.format}".`, `Write one of: ${REPORTS.join(', ')}.`)
  if (!/^\d{1,4}$/.test(flags.candidates))
    throw usage(`--candidates takes a whole number, not "${flags.candidates}".`)
  const bound = bindRun(flags)
  const { rules, base, single } = bound
  const files = flags.all === true ? everyInput(rules, base, given) : given
  if (files.length === 0)
    throw usage(
      'No file is named.',
      'Name one or more files, "-" for standard input, or --all for those of the rules file.',
    )
  const options = {
    reveal: flags.reveal === true,
    candidates: Number.parseInt(flags.candidates, 10),
    allowMissing: flags.allowMissing === true,
    profile: flags.profile === true,
    onePass: flags.onePass === true,
  }
  return {
    ...bound,
    options,
    files: files.map((path) => {
      const name = path === '-' ? (flags.stdinName ?? 'standard input') : path
      if (!single) ruleFor(rules!, path, name, base)
      return { path, name }
    }),
  }
}

// The files beside the rules file, or where its entries lead, that an entry means; and its databases.
function everyInput(
  rules: Rules | undefined,
  base: string,
  given: readonly string[],
): readonly string[] {
  if (!rules) throw usage('--all needs a rules file.', 'Name it with -r.')
  if (given.length)
    throw usage('--all takes the files from the rules file.', 'Name files, or --all, but not both.')
  const found = new Set<string>()
  for (const { in: pattern } of rules.columns) {
    const [file = ''] = pattern.split('#')
    if (isConnection(file)) found.add(file)
    else {
      const folder = join(base, dirname(file))
      const names = existsSync(folder) ? readdirSync(folder).sort() : []
      const meant = names.filter((one) => meansFile(basename(file), one))
      for (const one of meant) found.add(join(folder, one))
      if (meant.length === 0) throw usage(`Nothing matches "${pattern}" of the rules file.`)
    }
  }
  return [...found]
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
