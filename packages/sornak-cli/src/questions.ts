// What must be asked where the values come from, as a CSV file with an empty column for the answers, and
// the answers that come back.

import { fit, hypotheses, tableCell, trustedList, type Definition, type ValueFinding } from 'sornak'
import { fieldText } from 'sornak/rows'
import type { Change } from './change-record.js'
import type { Output } from './output.js'
import { progress } from './progress.js'
import { headersOf, openRows, readRecords } from './read-rows.js'
import { openSource, utf8Check } from './source.js'
import { usage } from './stop.js'

const HEADERS = [
  'record',
  'key',
  'column',
  'identifier',
  'value',
  'verdict',
  'finding',
  'possible',
  'candidates',
  'answer',
]

export function writeQuestions(output: Output, findings: readonly ValueFinding[]): void {
  output.write(`${HEADERS.join(',')}\r\n`)
  for (const {
    record,
    key,
    column,
    identifier,
    value,
    verdict,
    finding,
    possible,
    candidates,
  } of findings) {
    const cells = [
      `${record}`,
      key ?? '',
      column,
      identifier,
      value,
      verdict,
      finding ?? '',
      possible === null ? '' : `${possible}`,
      candidates.join(' '),
      '',
    ]
    output.write(`${cells.map(tableCell).join(',')}\r\n`)
  }
}

export interface Answer {
  readonly record: number
  readonly column: string
  readonly value: string
  readonly answer: string
}

/** The answers of a file that `--ask` wrote and somebody filled in; lines without one are passed over. */
export async function readAnswers(path: string): Promise<Answer[]> {
  const source = openSource(path, path, undefined)
  const answers: Answer[] = []
  try {
    const { shape, first } = openRows(source, undefined)
    let at: number[] = []
    await readRecords(
      source,
      shape,
      first,
      (view, { index, line }) => {
        if (index === 0) {
          const headers = headersOf(view, shape, path, line)
          at = ['record', 'column', 'value', 'answer'].map((name) => headers.indexOf(name))
          if (at.includes(-1))
            throw usage(
              `${path} has no column "${['record', 'column', 'value', 'answer'][at.indexOf(-1)]!}".`,
              'Fill in the file that --ask wrote, and keep its header.',
            )
          return
        }
        const [record, column, value, answer] = at.map((i) =>
          i < view.fields ? fieldText(view, i, shape.quote).trim() : '',
        )
        if (!answer) return
        const digits = /^\d{1,15}$/.test(record!)
        if (!digits)
          throw usage(
            `${path}:${line}  "${record}" is no record number.`,
            'Leave that column as it was.',
          )
        const plain = (text: string) => text.replace(/^'(?=[=+\-@])/, '')
        answers.push({
          record: Number.parseInt(record!, 10),
          column: column!,
          value: plain(value!),
          answer: plain(answer),
        })
      },
      progress(path, true),
      utf8Check(path),
    )
  } finally {
    source.close()
  }
  return answers
}

/** A change for an answer, or why it cannot be one. */
export function changeFor(
  { answer }: Answer,
  finding: ValueFinding,
  definition: Definition,
): Change | string {
  if (!fit(definition, answer).ok) return `the answer does not fit "${definition.key}"`
  const known = finding.verdict !== 'misfit'
  if (known && trustedList([answer]).among(hypotheses(definition, finding.value)).length === 0)
    return 'the answer could not have become what stands there'
  const { record, line, key, column, identifier, value: before } = finding
  return {
    record,
    line,
    key,
    column,
    identifier,
    before,
    after: answer,
    finding: finding.finding,
    proof: 'answer',
  }
}
