// sornak rehearse: for each bound column, what would not survive each hand-over, before it happens.

import { HAND_OVERS, hidesAnything, json, nearest, sayer, type HandOver } from 'sornak'
import { rehearseSource, type RehearsedColumn } from 'sornak-files'
import { bindRun, type BindFlags } from '../binding.js'
import { eachBoundInput } from '../bound-inputs.js'
import type { ReadFlags } from '../read-flags.js'
import { keepInputs, openOutput, tell, type Output } from '../output.js'
import { progress } from '../progress.js'
import { STATUS, usage } from '../stop.js'

export interface RehearseFlags extends BindFlags, ReadFlags {
  readonly through?: readonly string[]
  readonly format: string
  readonly out?: string
  readonly reveal?: boolean
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
    await eachBoundInput(path, name, bound, flags, tell, async (input, rule) => {
      const bar = progress(input.name, flags.quiet === true)
      const columns = await rehearseSource(input.source, rule, handOvers, bar)
      for (const { rehearsal: done } of columns)
        damaged ||= done.results.some((result) => result.damaged > 0)
      if (flags.format === 'jsonl') writeLines(output, input.name, columns, flags.reveal === true)
      else output.write(text(input.name, columns, flags.reveal === true))
    })
  }
  output.finish()
  return damaged ? STATUS.findings : STATUS.fine
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

function text(name: string, columns: readonly RehearsedColumn[], reveal: boolean): string {
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
  columns: readonly RehearsedColumn[],
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
