// sornak show --column: a column of a CSV file through its mask, alone or as a second column beside its
// source. The mask comes from the command line or from the column's binding in the rules file.

import { mask, meansFile, nearest, type Binding, type Mask } from 'sornak'
import { existsSync, statSync } from 'node:fs'
import { dirname, relative, resolve } from 'node:path'
import { fieldText, type RecordView } from 'sornak/rows'
import { keepInputs, openOutput, tell, type Output } from '../output.js'
import { progress } from '../progress.js'
import { headersOf, openRows, readRecords, utf8Check, type Source } from 'sornak-files'
import { oneInput } from '../inputs.js'
import { loadRules } from '../rules-source.js'
import { STATUS, usage } from '../stop.js'
import { subjectOf } from '../subject.js'
import { DEFAULT_RULES } from '../binding.js'
import { shower, type Reason, type ShowFlags } from '../shower.js'

/** Reasons said one by one; the others are counted. */
const MOST_SAID = 10
const LOOK_EVERY = 500

export async function showTable(
  text: string,
  values: readonly string[],
  flags: ShowFlags,
): Promise<number> {
  const [path, ...more] = values.length ? values : [text]
  if (path === undefined || more.length)
    throw usage('One table at a time is shown.', 'Name one CSV file, or "-" for standard input.')
  const maskText = values.length ? text : undefined
  if (flags.watch !== true) return once(path, maskText, flags)
  if (flags.out === undefined || flags.out === '-' || path === '-')
    throw usage(
      '--watch needs a file to read and a file to write.',
      'Name them, the second with -o.',
    )
  return follow(path, maskText, flags)
}

// Runs until it is interrupted. The time and size of the source are looked at, which works on every
// file system, shared ones included.
async function follow(
  path: string,
  maskText: string | undefined,
  flags: ShowFlags,
): Promise<number> {
  const stamp = () => {
    if (!existsSync(path)) return ''
    const { mtimeMs, size } = statSync(path)
    return `${mtimeMs} ${size}`
  }
  for (let before = ''; ;) {
    const now = stamp()
    if (now !== before && now !== '') {
      before = now
      await once(path, maskText, flags)
      tell(`${flags.out} follows ${path}; interrupt to end.`)
    }
    await new Promise((wait) => setTimeout(wait, LOOK_EVERY))
  }
}

async function once(path: string, maskText: string | undefined, flags: ShowFlags): Promise<number> {
  const name = path === '-' ? 'standard input' : path
  keepInputs([path, flags.rules], [flags.out])
  const output = openOutput(flags.out)
  const refused = { count: 0 }
  await oneInput(path, name, flags, ({ source }) =>
    copy(source, path, maskText, flags, output, (record, { message, todo }) => {
      refused.count++
      if (flags.quiet === true || refused.count > MOST_SAID) return
      tell(`record ${record}: ${message} ${todo}`)
    }),
  )
  output.finish()
  if (refused.count > MOST_SAID && flags.quiet !== true)
    tell(`and ${refused.count - MOST_SAID} more; ${refused.count} values in all are not shown.`)
  return refused.count ? STATUS.findings : STATUS.fine
}

async function copy(
  source: Source,
  path: string,
  maskText: string | undefined,
  flags: ShowFlags,
  output: Output,
  refuse: (record: number, reason: Reason) => void,
): Promise<void> {
  const { shape, first } = openRows(source)
  const delimiter = String.fromCharCode(shape.delimiter)
  const field = (text: string) =>
    text.includes(delimiter) || /["\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text
  const headerRow = maskText === undefined ? (bindingRule(path, flags)?.headerRow ?? 1) : 1
  let show: Shower | undefined
  const visit = (view: RecordView, { index, line }: { index: number; line: number }) => {
    const texts = Array.from({ length: view.fields }, (_, i) => fieldText(view, i, shape.quote))
    let after = show?.at ?? texts.length - 1
    let added: string | Reason = ''
    if (index === headerRow - 1) {
      show = showerFor(path, maskText, headersOf(view, shape, source.name, line), flags)
      after = show.at
      added = show.header
    } else if (show) added = show.one(texts)
    if (typeof added !== 'string') refuse(index - headerRow + 1, added)
    const shown = typeof added === 'string' ? added : ''
    if (flags.beside !== true) {
      if (index >= headerRow) output.write(`${shown}\n`)
      return
    }
    while (texts.length <= after) texts.push('')
    texts.splice(after + 1, 0, shown)
    output.write(`${texts.map(field).join(delimiter)}\n`)
  }
  const bar = progress(source.name, flags.quiet === true)
  await readRecords(source, shape, first, visit, bar, utf8Check(source.name))
  bar.clear()
}

interface Shower {
  /** The shown column comes behind this one. */
  readonly at: number
  readonly header: string
  one(texts: readonly string[]): string | Reason
}

function showerFor(
  path: string,
  maskText: string | undefined,
  headers: readonly string[],
  flags: ShowFlags,
): Shower {
  const { column } = flags
  const composite = maskText === undefined ? undefined : compositeOf(maskText, flags)
  if (composite) return recordShower(composite, headers, flags)
  if (column === undefined)
    throw usage(
      '--beside needs a column.',
      'Name it with --column, or use a mask with "from" slots.',
    )
  const at = indexOf(column, headers)
  const header = flags.into ?? `${column} (shown)`
  if (maskText !== undefined) {
    const through = shower(subjectOf(maskText, flags.rules), flags)
    return { at, header, one: (texts) => (texts[at] ? through(texts[at]) : '') }
  }
  const binding = bindingRule(path, flags)?.bind.get(column)
  if (!binding)
    throw usage(
      `No rule says what "${column}" of ${path} is.`,
      'Name a mask or an identifier before the file, or bind the column in the rules file.',
    )
  return { at, header, one: bound(binding, at, headers, flags) }
}

function bound(
  binding: Binding,
  at: number,
  headers: readonly string[],
  flags: ShowFlags,
): Shower['one'] {
  if (binding.kind === 'one') {
    const through = shower({ kind: 'identifier', definition: binding.definition }, flags)
    return (texts) => (texts[at] ? through(texts[at]) : '')
  }
  const by = indexOf(binding.column, headers)
  const cases = new Map(
    [...binding.cases].map(([text, definition]) => [
      text,
      shower({ kind: 'identifier', definition }, flags),
    ]),
  )
  return (texts) => {
    if (!texts[at]) return ''
    const through = cases.get(texts[by] ?? '')
    return through
      ? through(texts[at])
      : {
          message: `No rule for "${texts[by] ?? ''}" in "${binding.column}".`,
          todo: 'Add it to the rules file.',
        }
  }
}

// A mask over the fields of a record: its columns are those that it names.
function recordShower(made: Mask, headers: readonly string[], flags: ShowFlags): Shower {
  const fields = [...new Set(made.program.slots.map(({ from }) => from!))]
  const places = fields.map((name) => [name, indexOf(name, headers)] as const)
  return {
    at: flags.column === undefined ? headers.length - 1 : indexOf(flags.column, headers),
    header: flags.into ?? 'Shown',
    one(texts) {
      const shown = made.show(Object.fromEntries(places.map(([name, i]) => [name, texts[i]])))
      return shown.ok ? shown.text : shown.misfit
    },
  }
}

function compositeOf(text: string, flags: ShowFlags): Mask | undefined {
  const subject = subjectOf(text, flags.rules)
  return subject.kind === 'mask' && subject.mask.kind === 'composite' ? mask(text) : undefined
}

function bindingRule(path: string, flags: ShowFlags) {
  const rules = flags.rules ?? (existsSync(DEFAULT_RULES) ? DEFAULT_RULES : undefined)
  if (rules === undefined) return undefined
  const where = relative(dirname(resolve(rules)), resolve(path))
  const all = loadRules(rules).columns.filter((rule) => meansFile(rule.in, where))
  return flags.column === undefined
    ? all[0]
    : (all.find((rule) => rule.bind.has(flags.column!)) ?? all[0])
}

function indexOf(header: string, headers: readonly string[]): number {
  const at = headers.indexOf(header)
  if (at >= 0) return at
  const near = nearest(header, headers)
  throw usage(
    `There is no column "${header}".`,
    near === undefined
      ? `There are: ${headers.map((one) => `"${one}"`).join(', ')}.`
      : `Did you mean "${near}"?`,
  )
}
