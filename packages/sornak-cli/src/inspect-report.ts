// What an inspection says, in each format: as it goes where the format allows it, else at the end.

import {
  columnLine,
  errorLine,
  errorText,
  fileText,
  htmlPage,
  markdownText,
  profileLines,
  summaryLine,
  summaryText,
  tableHeader,
  tableRow,
  valueLine,
  type ColumnFinding,
  type ColumnTally,
  type ErrorLine,
  type PageFile,
  type Paint,
  type RaggedRecord,
  type Summary,
  type ValueFinding,
} from 'sornak'
import { gatherFile, type InspectedFile, type Told } from 'sornak-files'
import { tell, type Output } from './output.js'

export const REPORTS: readonly string[] = ['text', 'json', 'jsonl', 'csv', 'html', 'markdown']

export interface Report {
  file(
    name: string,
    file: InspectedFile,
    accepted: (finding: Told) => boolean,
    failOn: (finding: Told) => boolean,
  ): Promise<{
    readonly tallies: readonly ColumnTally[]
    readonly failed: boolean
    readonly errors: number
  }>
  error(line: ErrorLine): void
  end(summary: Summary): void
}

/** One format: what it does with each thing there is to say. */
interface Format {
  value?(finding: ValueFinding): void
  column?(finding: ColumnFinding): void
  error(line: ErrorLine): void
  file?(file: PageFile): void
  end(summary: Summary): void
}

export function reportFor(format: string, output: Output, paint: Paint, revealed: boolean): Report {
  const to = formatFor(format, output, paint, revealed)
  // Where records themselves are listed, so are those that are not as wide as the header.
  const listed = format === 'json' || format === 'jsonl'
  return {
    async file(name, file, accepted, failOn) {
      const ragged = { count: 0, rows: { ranges: [] as [number, number][], more: 0, last: -1 } }
      let failed = false
      const page = await gatherFile(name, file, accepted, {
        value(finding) {
          failed ||= failOn(finding)
          to.value?.(finding)
        },
        column(finding) {
          failed ||= failOn(finding)
          to.column?.(finding)
        },
        ragged(record) {
          if (listed) to.error(raggedError(name, record))
          ragged.count++
          if (ragged.rows.ranges.length < 50)
            ragged.rows.ranges.push([record.record, record.record])
          else ragged.rows.more++
          ragged.rows.last = record.record
        },
      })
      to.file?.({ ...page, ragged })
      return { tallies: page.columns, failed, errors: ragged.count }
    },
    error: to.error,
    end: to.end,
  }
}

function formatFor(format: string, output: Output, paint: Paint, revealed: boolean): Format {
  const line = (text: string) => output.write(`${text}\n`)
  const pages: PageFile[] = []
  const page = (file: PageFile) => void pages.push(file)
  const aside = ({ file, message, todo }: ErrorLine) => tell(`${file}  ${message} ${todo}`)
  switch (format) {
    case 'jsonl':
      return {
        value: (finding) => line(valueLine(finding)),
        column: (finding) => line(columnLine(finding)),
        error: (error) => line(errorLine(error)),
        file: ({ columns }) => columns.forEach((tally) => profileLines(tally).forEach(line)),
        end: (summary) => line(summaryLine(summary)),
      }
    case 'json':
      return wholeJson(output)
    case 'csv':
      output.write(tableHeader())
      return {
        value: (finding) => output.write(tableRow(finding)),
        error: aside,
        end: () => {},
      }
    case 'markdown':
      return {
        error: aside,
        file: page,
        end: (summary) => output.write(markdownText(pages, summary)),
      }
    case 'html':
      return {
        error: aside,
        file: page,
        end: (summary) =>
          output.write(htmlPage(pages, summary, { title: 'Identifiers inspected', revealed })),
      }
    default:
      return {
        error: (error) => line(errorText(error, paint).trimEnd() + '\n'),
        file: (file) => line(fileText(file, paint)),
        end: (summary) => output.write(summaryText(summary, revealed, paint)),
      }
  }
}

// One object; values as they come, all else behind them.
function wholeJson(output: Output): Format {
  const columns: string[] = []
  const errors: string[] = []
  const profiles: string[] = []
  let first = true
  output.write('{"values":[')
  return {
    value(finding) {
      output.write(`${first ? '' : ','}\n${valueLine(finding)}`)
      first = false
    },
    column: (finding) => columns.push(columnLine(finding)),
    error: (error) => errors.push(errorLine(error)),
    file: (file) => file.columns.forEach((tally) => profiles.push(...profileLines(tally))),
    end(summary) {
      const list = (name: string, lines: readonly string[]) => `"${name}":[${lines.join(',')}]`
      output.write(
        `\n],${list('columns', columns)},${list('profiles', profiles)},${list('errors', errors)},"summary":${summaryLine(summary)}}\n`,
      )
    },
  }
}

function raggedError(file: string, { record, line, fields, expected }: RaggedRecord): ErrorLine {
  return {
    file,
    record,
    line,
    code: 'ragged-record',
    message: `Record ${record} has ${fields} fields, the header ${expected}.`,
    todo:
      fields > expected
        ? 'Put a field that holds the delimiter in quotes. Its values were not judged.'
        : 'Fill up the missing fields.',
  }
}
