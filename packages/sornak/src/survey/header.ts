// What the words of a header say of the column under it. Catalog entries carry the words that people write
// over such columns.

import { CATALOG } from '../identifier/catalog/catalog.js'

const SAYS = 14
const COUNTRY = 6
const AGAINST = -40

/** Bits for an entry whose words the header holds, and against one where it holds those of others only. */
export function headerBits(entry: string, title: string, header: string): number {
  const text = plain(header)
  if (!speaks(entry, text)) return anySpeaks(text) ? AGAINST : 0
  const country = /, (.+)$/.exec(title)?.[1]
  return SAYS + (country && text.includes(plain(country)) ? COUNTRY : 0)
}

/** Whether a header names an identifier at all: a number, a code, a reference. */
export const looksNamed = (header: string): boolean =>
  / (?:no|nr|num|number|id|code|ref|reference|key|serial|account|pass|ticket) /.test(plain(header))

function speaks(entry: string, text: string): boolean {
  const words = CATALOG.get(entry)?.['headers']
  return (
    Array.isArray(words) &&
    words.some((one) => typeof one === 'string' && text.includes(plain(one)))
  )
}

let last: { readonly text: string; readonly speaks: boolean } | undefined
function anySpeaks(text: string): boolean {
  if (last?.text !== text)
    last = { text, speaks: [...CATALOG.keys()].some((entry) => speaks(entry, text)) }
  return last.speaks
}

// Lower case, words apart, a space at either end.
const plain = (text: string) =>
  ` ${text
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
    .toLowerCase()} `
