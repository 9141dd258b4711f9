// What must be asked where the values come from, as a CSV file with an empty column for the answers, and
// the answers that come back.

import { fit, hypotheses, tableCell, trustedList, type Definition, type ValueFinding } from 'sornak'
import type { Change } from 'sornak-files'
import { eachText } from './inputs.js'
import type { Output } from './output.js'
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
  const answers: Answer[] = []
  const names = ['record', 'column', 'value', 'answer']
  let at: number[] = []
  const plain = (text: string) => text.replace(/^'(?=[=+\-@])/, '')
  await eachText(
    path,
    {},
    {
      header(headers) {
        at = names.map((name) => headers.indexOf(name))
        if (at.includes(-1))
          throw usage(
            `${path} has no column "${names[at.indexOf(-1)]!}".`,
            'Fill in the file that --ask wrote, and keep its header.',
          )
      },
      record(text, _record, line) {
        const [record, column, value, answer] = at.map((i) => text(i).trim())
        if (!answer) return
        if (!/^\d{1,15}$/.test(record!))
          throw usage(
            `${path}:${line}  "${record}" is no record number.`,
            'Leave that column as it was.',
          )
        answers.push({
          record: Number.parseInt(record!, 10),
          column: column!,
          value: plain(value!),
          answer: plain(answer),
        })
      },
    },
  )
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
