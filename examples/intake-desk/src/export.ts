// Entries as CSV (RFC 4180) and its description (CSV on the Web, W3C), in which every column is text. A
// value that a spreadsheet program would work out as a formula gets an apostrophe in front, which says text.

import type { Entry } from './entries.js'

export interface Column {
  readonly name: string
  readonly title: string
}

export function csv(columns: readonly Column[], list: readonly Entry[]): string {
  const cell = (text: string) =>
    `"${(/^[=+\-@\t\r]/.test(text) ? `'${text}` : text).replaceAll('"', '""')}"`
  const lines = [
    columns.map(({ title }) => cell(title)),
    ...list.map((entry) => columns.map(({ name }) => cell(entry[name] ?? ''))),
  ]
  return lines.map((cells) => `${cells.join(',')}\r\n`).join('')
}

export function description(url: string, columns: readonly Column[]): string {
  const about = {
    '@context': 'http://www.w3.org/ns/csvw',
    url,
    dialect: { delimiter: ',', header: true, lineTerminators: ['\r\n'] },
    tableSchema: {
      columns: columns.map(({ name, title }) => ({ name, titles: title, datatype: 'string' })),
    },
  }
  return `${JSON.stringify(about, null, 2)}\n`
}
