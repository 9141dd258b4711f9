// The report as Markdown (CommonMark, with the tables that many readers of it know).

import { FINDINGS } from '../channel/findings.js'
import { VERDICTS } from '../inspect/judgement.js'
import type { Summary } from './jsonl.js'
import { nextStep } from './next-step.js'
import { outcome, PLAIN, rowsText, type FileReport } from './text.js'

export function markdownText(files: readonly FileReport[], summary: Summary): string {
  const lines = ['# Verdicts', '']
  for (const { file, records, columns, unbound, ragged } of files) {
    lines.push(`## ${cell(file)}`, '', `${number(records)} records.`, '')
    lines.push(`| Column | Identifier | ${VERDICTS.join(' | ')} |`)
    lines.push(`| --- | --- | ${VERDICTS.map(() => '--:').join(' | ')} |`)
    for (const { column, identifiers, verdicts } of columns)
      lines.push(
        `| ${cell(column)} | ${cell(identifiers.join(', '))} | ${VERDICTS.map((one) => number(verdicts[one])).join(' | ')} |`,
      )
    lines.push('')
    for (const tally of columns) {
      if (tally.findings.size === 0 && tally.runs.length === 0) continue
      lines.push(`### ${cell(tally.column)}`, '')
      const findings = [...tally.findings].sort(([, a], [, b]) => b.count - a.count)
      for (const [code, finding] of findings) {
        const { title } = FINDINGS[code]
        lines.push(
          `**${title}** (\`${code}\`): ${number(finding.count)}; ${rowsText(finding.rows, finding.count)}.`,
          '',
        )
        for (const example of finding.examples)
          lines.push(
            `- row ${number(example.record)}: ${code_(example.value)} ${cell(outcome(example, PLAIN))}`,
          )
        lines.push('', `Next: ${nextStep(code, finding.verdicts.keys())}`, '')
      }
      for (const { why } of tally.runs) lines.push(`- ${cell(why)}`)
      if (tally.runs.length) lines.push('')
    }
    if (ragged.count)
      lines.push(
        `${number(ragged.count)} records with more or fewer fields than the header: ${rowsText(ragged.rows, ragged.count)}.`,
        '',
      )
    if (unbound.length) lines.push(`Not inspected: ${cell(unbound.join(', '))}.`, '')
  }
  for (const notice of summary.notices) lines.push(`> ${cell(notice)}`, '')
  return `${lines
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trimEnd()}\n`
}

const number = (n: number) => n.toLocaleString('en')

// What stands in a file must not turn into markup.
const cell = (text: string) => text.replace(/[\\`*_{}[\]<>|#]/g, '\\$&').replace(/\s+/g, ' ')

function code_(text: string): string {
  const fence = '`'.repeat(Math.max(0, ...[...text.matchAll(/`+/g)].map(([run]) => run.length)) + 1)
  const inside = text.replace(/\s+/g, ' ')
  const space = /^`|`$|^ .* $/.test(inside) || inside === '' ? ' ' : ''
  return `${fence}${space}${inside.replaceAll('|', '\\|')}${space}${fence}`
}
