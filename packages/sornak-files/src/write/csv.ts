// CSV (RFC 4180), UTF-8: comma, double quotes, CRLF.

import type { MakeWriter } from './writer.js'

const FLUSH = 64 * 1024

export const csvWriter: MakeWriter = (write, { headers }) => {
  let held = ''
  const line = (texts: readonly string[]) => {
    held += `${texts.map(field).join(',')}\r\n`
    if (held.length < FLUSH) return
    write(utf8.encode(held))
    held = ''
  }
  line(headers)
  return {
    row: (cells) => line(cells.map(({ text }) => text)),
    async end() {
      write(utf8.encode(held))
    },
  }
}

const utf8 = new TextEncoder()

const field = (text: string) =>
  /[",\r\n']|^\s|\s$/.test(text) ? `"${text.replaceAll('"', '""')}"` : text
