// sornak survey: what each column of a file seems to hold, and what looks damaged, without any rules.

import { basename } from 'node:path'
import {
  draftRules,
  FINDINGS,
  json,
  PLAIN,
  type ColumnLook,
  type Guess,
  type Paint,
  type Surveyed,
} from 'sornak'
import { isConnection } from '../binding.js'
import { headerRowOf, surveySource } from 'sornak-files'
import { keepInputs, openOutput, tell } from '../output.js'
import { paintFor } from '../paint.js'
import { headerRowGiven } from '../header-row.js'
import { eachInput } from '../inputs.js'
import type { ReadFlags } from '../read-flags.js'
import { progress } from '../progress.js'
import { STATUS, usage } from '../stop.js'

export interface SurveyFlags extends ReadFlags {
  readonly draft?: string
  readonly format: string
  readonly out?: string
  readonly color: boolean
}

export async function survey(files: readonly string[], flags: SurveyFlags): Promise<number> {
  if (files.length === 0) throw usage('No file is named.', 'Name one or more files.')
  if (flags.format !== 'text' && flags.format !== 'jsonl')
    throw usage(`There is no format "${flags.format}".`, 'Write --format text or --format jsonl.')
  keepInputs(files, [flags.out, flags.draft])
  const output = openOutput(flags.out)
  const paint = flags.out === undefined ? paintFor(process.stdout, flags.color) : PLAIN
  const surveyed: Surveyed[] = []
  for (const path of files) {
    for (const found of await surveyFile(path, flags)) {
      surveyed.push(found)
      output.write(flags.format === 'jsonl' ? lines(found) : text(found, paint))
    }
  }
  if (flags.draft !== undefined) {
    const draft = openOutput(flags.draft)
    draft.write(draftRules(surveyed))
    draft.finish()
  }
  output.finish()
  if (flags.draft !== undefined)
    tell(`${flags.draft} is a draft of rules: read it, then: sornak inspect -r ${flags.draft} …`)
  return STATUS.fine
}

async function surveyFile(path: string, flags: SurveyFlags): Promise<Surveyed[]> {
  const name = path === '-' ? 'standard input' : path
  const found: Surveyed[] = []
  await eachInput(path, name, flags, async ({ name: whole, source }) => {
    const headerRow = headerRowGiven(flags.headerRow) ?? (await headerRowOf(source))
    const bar = progress(whole, flags.quiet === true)
    const columns = await surveySource(source, bar, headerRow)
    found.push({ file: isConnection(path) ? whole : basename(whole), headerRow, columns })
  })
  return found
}

const KINDS: Readonly<Record<Guess['kind'], string>> = {
  catalog: '',
  own: 'an identifier of its own',
  date: 'dates',
  quantity: 'quantities',
  words: 'a few words',
  text: 'text',
  nothing: 'nothing',
}

const number = (n: number) => n.toLocaleString('en')

function text({ file, headerRow = 1, columns }: Surveyed, paint: Paint): string {
  const found = headerRow > 1 ? paint.quiet(`  headers in row ${headerRow}`) : ''
  const out = [`${paint.strong(file)}${found}`]
  for (const { look, guess: found } of columns) {
    const { entry, stored, definition, why, others } = found
    const what =
      entry !== undefined
        ? `${definition!.title} (${entry})`
        : stored !== undefined
          ? `${KINDS.own}: ${stored}`
          : KINDS[found.kind]
    const blank = look.blank ? `, ${number(look.blank)} blank` : ''
    out.push(
      '',
      `${paint.strong(look.header)}  ${(entry ?? stored) ? paint.good(what) : paint.quiet(what)}  ${paint.quiet(`${number(look.values)} values${blank}`)}`,
      `    ${why}`,
    )
    if (others.length)
      out.push(
        `    As good: ${others.slice(0, 6).join(', ')}${others.length > 6 ? ` and ${others.length - 6} more` : ''}; say which.`,
      )
    out.push(...figures(look).map((line) => `    ${line}`))
    const damage = [...found.damaged].sort((a, b) => b[1] - a[1])
    if (damage.length) {
      const share = (n: number) => `${Math.max(1, Math.round((100 * n) / look.sample.length))}%`
      out.push(
        `    ${paint.warn('Damage in a sample:')} ${damage.map(([code, n]) => `${FINDINGS[code].title.toLowerCase()} (${code}) ${share(n)}`).join(', ')}`,
      )
    }
  }
  return `${out.join('\n')}\n\n`
}

function figures(look: ColumnLook): string[] {
  if (look.digitsOnly === 0) return []
  const widths = [...look.widths].sort((a, b) => b[1] - a[1])
  const shown = widths.slice(0, 6).map(([width, count]) => `${width} (${number(count)})`)
  const more = widths.length > 6 ? ` and ${widths.length - 6} more` : ''
  const precise = look.beyond53
    ? `; ${number(look.beyond53)} beyond 2^53, ${number(look.beyond15)} with more than 15 significant digits`
    : ''
  return [
    `Widths in digits: ${shown.join(', ')}${more}; ${number(look.leadingZeros)} start with a zero${precise}.`,
  ]
}

function lines({ file, columns }: Surveyed): string {
  return columns
    .map(({ look, guess: found }) => {
      const { header, values, blank, digitsOnly, leadingZeros, beyond15, beyond53 } = look
      return `${json({
        kind: 'survey',
        file,
        column: header,
        holds: found.kind,
        identifier: found.entry ?? null,
        stored: found.stored ?? null,
        others: found.others,
        values,
        blank,
        digitsOnly,
        widths: Object.fromEntries(look.widths),
        leadingZeros,
        beyond15,
        beyond53,
        sample: look.sample.length,
        fits: found.fits,
        damaged: Object.fromEntries(found.damaged),
        why: found.why,
      })}\n`
    })
    .join('')
}
