// sornak rehearse: for each bound column, what would not survive each hand-over, before it happens.

import {
  HAND_OVERS,
  hidesAnything,
  json,
  nearest,
  rehearsal,
  sayer,
  type Definition,
  type HandOver,
  type Rehearsal,
} from 'sornak'
import { fieldText, type RecordView } from 'sornak/rows'
import { bindRun, ruleFor, type BindFlags } from '../binding.js'
import { keepInputs, openOutput, type Output } from '../output.js'
import { progress } from '../progress.js'
import { headersOf, openRows, readRecords } from '../read-rows.js'
import { openSource, utf8Check } from '../source.js'
import { STATUS, usage } from '../stop.js'

export interface RehearseFlags extends BindFlags {
  readonly through?: readonly string[]
  readonly format: string
  readonly out?: string
  readonly reveal?: boolean
  readonly quiet?: boolean
  readonly delimiter?: string
  readonly encoding?: string
}

interface Column {
  readonly header: string
  readonly definition: Definition
  readonly rehearsal: Rehearsal
}

export async function rehearse(files: readonly string[], flags: RehearseFlags): Promise<number> {
  if (files.length === 0)
    throw usage('No file is named.', 'Name one or more files, or "-" for standard input.')
  if (flags.format !== 'text' && flags.format !== 'jsonl')
    throw usage(`There is no format "${flags.format}".`, 'Write --format text or --format jsonl.')
  const bound = bindRun(flags)
  const handOvers = chosen(flags.through, bound.rules?.handOvers ?? new Map())
  keepInputs([...files, flags.rules], [flags.out])
  const output = openOutput(flags.out)
  let damaged = false
  for (const path of files) {
    const name = path === '-' ? 'standard input' : path
    const rule = bound.single ?? ruleFor(bound.rules!, path, name, bound.base)
    const columns = await run(path, name, rule, handOvers, flags)
    for (const { rehearsal: done } of columns)
      damaged ||= done.results.some((result) => result.damaged > 0)
    if (flags.format === 'jsonl') writeLines(output, name, columns, flags.reveal === true)
    else output.write(text(name, columns, flags.reveal === true))
  }
  output.finish()
  return damaged ? STATUS.findings : STATUS.fine
}

async function run(
  path: string,
  name: string,
  rule: ReturnType<typeof ruleFor>,
  handOvers: readonly HandOver[],
  flags: RehearseFlags,
): Promise<Column[]> {
  const source = openSource(path, name, flags.encoding)
  try {
    const { shape, first } = openRows(source, flags.delimiter)
    const columns: (Column & { index: number; choose: (view: RecordView) => boolean })[] = []
    const textAt = (view: RecordView, i: number) =>
      i < view.fields ? fieldText(view, i, shape.quote) : ''
    const bar = progress(name, flags.quiet === true)
    await readRecords(
      source,
      shape,
      first,
      (view, { index, line }) => {
        if (index < rule.headerRow - 1) return
        if (index === rule.headerRow - 1) {
          const headers = headersOf(view, shape, name, line)
          for (const [header, binding] of rule.bind) {
            const at = headers.indexOf(header)
            if (at < 0) throw missing(header, headers, name)
            const add = (definition: Definition, choose: (view: RecordView) => boolean) =>
              columns.push({
                header,
                definition,
                index: at,
                choose,
                rehearsal: rehearsal(definition, handOvers),
              })
            if (binding.kind === 'one') add(binding.definition, () => true)
            else {
              const by = headers.indexOf(binding.column)
              for (const [word, definition] of binding.cases)
                add(definition, (record) => textAt(record, by) === word)
            }
          }
          return
        }
        for (const column of columns)
          if (column.choose(view)) column.rehearsal.add(textAt(view, column.index))
      },
      bar,
      utf8Check(name),
    )
    bar.clear()
    return columns
  } finally {
    source.close()
  }
}

function missing(header: string, headers: readonly string[], name: string) {
  const near = nearest(header, headers)
  return usage(
    `${name} has no column "${header}".`,
    near === undefined
      ? `Its columns: ${headers.map((one) => `"${one}"`).join(', ')}.`
      : `Did you mean "${near}"?`,
  )
}

function chosen(
  names: readonly string[] | undefined,
  own: ReadonlyMap<string, HandOver>,
): HandOver[] {
  const all = new Map([...HAND_OVERS, ...own])
  if (!names) return [...all.values()]
  return names.map((name) => {
    const handOver = all.get(name)
    if (handOver) return handOver
    const near = nearest(name, [...all.keys()])
    throw usage(
      `There is no hand-over "${name}".`,
      near ? `Did you mean "${near}"?` : `There are: ${[...all.keys()].join(', ')}.`,
    )
  })
}

function text(name: string, columns: readonly Column[], reveal: boolean): string {
  const lines = [name]
  let hidden = false
  for (const { header, definition, rehearsal: done } of columns) {
    const say = sayer(definition, reveal)
    hidden ||= !reveal && hidesAnything(definition.reveal)
    const values = done.results[0]?.values ?? 0
    lines.push(
      '',
      `${header}  ${definition.key}, ${plural(values, 'value')} that fit${values === 1 ? 's' : ''}`,
    )
    for (const { handOver, damaged, lost, examples } of done.results) {
      const said =
        damaged === 0
          ? 'survives'
          : `${number(damaged)} damaged (${percent(damaged, values)})${lost ? `, ${number(lost)} of them for good` : ', all can be turned back'}`
      lines.push(`  ${handOver.id.padEnd(18)} ${said}`)
      for (const [before, after, gone] of examples)
        lines.push(
          `  ${''.padEnd(18)}   ${say(before)} arrives as ${say(after)}${gone ? '' : ', and can be turned back'}`,
        )
    }
  }
  lines.push('')
  if (hidden) lines.push('Values are hidden as the rules file says; --reveal shows them.', '')
  return `${lines.join('\n')}\n`
}

function writeLines(
  output: Output,
  file: string,
  columns: readonly Column[],
  reveal: boolean,
): void {
  for (const { header, definition, rehearsal: done } of columns) {
    const say = sayer(definition, reveal)
    for (const { handOver, values, damaged, lost, examples } of done.results)
      output.write(
        `${json({
          kind: 'rehearsal',
          file,
          column: header,
          identifier: definition.key,
          handOver: handOver.id,
          values,
          damaged,
          lost,
          examples: examples.map(([before, after, gone]) => ({
            before: say(before),
            after: say(after),
            lost: gone,
          })),
        })}\n`,
      )
  }
}

const number = (n: number) => n.toString().replace(/\B(?=(\d{3})+$)/g, ',')
const plural = (n: number, word: string) => `${number(n)} ${word}${n === 1 ? '' : 's'}`
const percent = (part: number, whole: number) => {
  const share = Math.round((1000 * part) / whole) / 10
  return share === 0 ? 'less than 0.1%' : `${share}%`
}
