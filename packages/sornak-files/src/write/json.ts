// JSON and JSON Lines: identifiers are strings; a number is written with the digits it had.

import type { MakeWriter, WrittenCell } from './writer.js'

const NUMBER = /^-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?$/
const utf8 = new TextEncoder()

export const jsonLinesWriter: MakeWriter = (write, { headers }) => ({
  row: (cells) => write(utf8.encode(`${objectText(headers, cells)}\n`)),
  end: async () => {},
})

export const jsonWriter: MakeWriter = (write, { headers }) => {
  let first = true
  return {
    row(cells) {
      write(utf8.encode(`${first ? '[' : ','}\n${objectText(headers, cells)}`))
      first = false
    },
    end: async () => write(utf8.encode(first ? '[]\n' : '\n]\n')),
  }
}

function objectText(headers: readonly string[], cells: readonly WrittenCell[]): string {
  const fields = headers.map((name, i) => {
    const { text = '', number } = cells[i] ?? {}
    const value = number && NUMBER.test(text) ? text : JSON.stringify(text)
    return `${JSON.stringify(name)}:${value}`
  })
  return `{${fields.join(',')}}`
}
