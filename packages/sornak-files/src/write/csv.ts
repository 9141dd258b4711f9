// CSV (RFC 4180), UTF-8: comma, double quotes, CRLF. Meant for spreadsheet programs too, so nothing in it runs.

import { madeHarmless } from './harmless.js'
import type { MakeWriter } from './writer.js'

const FLUSH = 64 * 1024

export const csvWriter: MakeWriter = (write, { headers }) => {
  let held = ''
  let harmless = 0
  const line = (texts: readonly string[]) => {
    held += `${texts.map(field).join(',')}\r\n`
    if (held.length < FLUSH) return
    write(utf8.encode(held))
    held = ''
  }
  const safe = (text: string) => {
    const made = madeHarmless(text)
    if (made !== undefined) harmless++
    return made ?? text
  }
  line(headers.map(safe))
  return {
    row: (cells) => line(cells.map(({ text, number }) => (number ? text : safe(text)))),
    async end() {
      write(utf8.encode(held))
    },
    harmless: () => harmless,
  }
}

const utf8 = new TextEncoder()

const field = (text: string) =>
  /[",\r\n']|^\s|\s$/.test(text) ? `"${text.replaceAll('"', '""')}"` : text
