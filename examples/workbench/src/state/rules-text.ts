// Rules as the text of a file.

import type { PlainMap } from 'sornak'
import { stringify } from 'yaml'

export function rulesText({ sornak, ...rest }: PlainMap): string {
  return `sornak: ${String(sornak)}\n${stringify(rest, { defaultStringType: 'QUOTE_SINGLE', defaultKeyType: 'PLAIN', lineWidth: 100 })}`
}
