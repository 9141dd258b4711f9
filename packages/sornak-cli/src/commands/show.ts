// sornak show: values through a mask, one line each; a value that does not fit leaves its line empty.
// With --column or --beside it shows a column of a table instead (show-table.ts).

import { createInterface } from 'node:readline'
import { openOutput, tell } from '../output.js'
import { STATUS, usage } from '../stop.js'
import { shower, type ShowFlags } from '../shower.js'
import { subjectOf } from '../subject.js'
import { showTable } from './show-table.js'

const GIVEN = ['plain', 'shown', 'stored']

export async function show(
  text: string,
  values: readonly string[],
  flags: ShowFlags,
): Promise<number> {
  if (flags.given !== undefined && !GIVEN.includes(flags.given))
    throw usage(`--given cannot be "${flags.given}".`, `Write one of: ${GIVEN.join(', ')}.`)
  if (flags.column !== undefined || flags.beside === true) return showTable(text, values, flags)
  const through = shower(subjectOf(text, flags.rules), flags)
  const output = openOutput(flags.out)
  let status: number = STATUS.fine
  let line = 0
  const one = (value: string) => {
    line++
    const shown = through(value)
    if (typeof shown === 'string') output.write(`${shown}\n`)
    else {
      status = STATUS.findings
      output.write('\n')
      if (flags.quiet !== true) tell(`line ${line}: ${shown.message} ${shown.todo}`)
    }
  }
  if (values.length) for (const value of values) one(value)
  else
    for await (const value of createInterface({ input: process.stdin, crlfDelay: Infinity }))
      one(value)
  output.finish()
  return status
}
