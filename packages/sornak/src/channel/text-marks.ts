// Marks that text picked up on its way: apostrophes, quotes, spaces, invisible characters, digits of
// other scripts. None of them takes a digit away, so each can be undone exactly.

import type { Channel, FindingCode } from './channel.js'

const HIDDEN =
  /[\u00a0\u00ad\u034f\u061c\u115f\u1160\u17b4\u17b5\u180e\u2000-\u200f\u2028-\u202f\u205f-\u206f\u3000\ufe00-\ufe0f\ufeff\p{Cc}]/gu
const DIGIT = /\p{Nd}/u
/** Forms of full width lie so far behind those of ASCII, from ! to ~. */
const TO_FULL = 0xfee0
/** Marks of numbers in scripts that have their own. */
const ASCII_MARK: Readonly<Record<string, string>> = { '٫': '.', '٬': ',', '٪': '%' }

interface Wrapper {
  readonly open: string
  readonly close: string
  /** It stands behind digits only. */
  readonly behindDigits?: true
  /** Of digits alone it is a sign, or stands for one. */
  readonly aroundLetters?: true
}
const WRAPPERS: ReadonlyMap<string, Wrapper> = new Map([
  ['apostrophe', { open: "'", close: '' }],
  ['formula', { open: '="', close: '"' }],
  ['quotes', { open: '"', close: '"' }],
  ['single quotes', { open: "'", close: "'" }],
  ['spaces', { open: ' ', close: ' ' }],
  ['leading space', { open: ' ', close: '' }],
  ['trailing space', { open: '', close: ' ' }],
  ['grave', { open: '`', close: '' }],
  ['typographic quotes', { open: '“', close: '”' }],
  ['square brackets', { open: '[', close: ']' }],
  ['angle brackets', { open: '<', close: '>' }],
  ['braces', { open: '{', close: '}' }],
  ['round brackets', { open: '(', close: ')', aroundLetters: true }],
  ['bullet', { open: '• ', close: '' }],
  ['hyphen', { open: '-', close: '', aroundLetters: true }],
  ['plus', { open: '+', close: '', aroundLetters: true }],
  ['semicolon', { open: '', close: ';' }],
  ['apostrophe behind', { open: '', close: "'" }],
  ['quote behind', { open: '', close: '"' }],
  ['quote in front', { open: '"', close: '' }],
  // How languages write numbers of their widest types.
  ['long integer', { open: '', close: 'L', behindDigits: true }],
  ['big integer', { open: '', close: 'n', behindDigits: true }],
  ['long integer without a sign', { open: '', close: 'UL', behindDigits: true }],
  ['decimal', { open: "Decimal('", close: "')" }],
  ['integer', { open: 'np.int64(', close: ')', behindDigits: true }],
  ['bytes', { open: "b'", close: "'" }],
  ['one of a row', { open: "('", close: "',)" }],
  // How people mark what they are not sure of.
  ['asterisk', { open: '', close: '*' }],
  ['question mark', { open: '', close: '?' }],
  ['colon', { open: '', close: ':' }],
  ['tilde', { open: '~', close: '' }],
  ['slash', { open: '', close: '/' }],
  ['entity', { open: '&nbsp;', close: '' }],
  ['line break', { open: '', close: '<br>' }],
])

const UNMARK = [
  /^=\s?"(.*)"$/su,
  /^"(.*)"$/su,
  /^'(.*)'$/su,
  /^['‘’`´](.*)$/su,
  /^“(.*)”$/su,
  /^\s+(.*?)\s*$/su,
  /^(.*?)\s+$/su,
  /^=(.*)$/su,
  /^\[(.*)\]$/su,
  /^<(.*)>$/su,
  /^\{(.*)\}$/su,
  /^\((?!\d[\d.,]*E[+-]\d+\)$)(.*\p{L}.*)\)$/isu,
  /^[•·▪*]\s*(.*)$/su,
  /^[-–—+]\s*(?!\d[\d.,]*E[+-]\d+$|\d*[.,]\d*E\d+$)(.*\p{L}.*)$/isu,
  /^(.*)[;'"*?:/]$/su,
  /^["~](.*)$/su,
  // A small l is the digit that it looks like, and so is a bar.
  /^([+-]?\d+)(?:U?LL?|[un])$/u,
  /^(?:np\.)?(?:u?int|float|str_?|decimal|integer|long|bigint)\d*\((.*)\)$/isu,
  /^(?:np\.)?(?:str_?|decimal)\('(.*)'\)$/isu,
  /^b'(.*)'$/su,
  /^b"(.*)"$/su,
  /^\('?(.*?)'?,\)$/su,
  /^(?:&nbsp;|&#160;)(.*)$/su,
  /^(.*)(?:&nbsp;|&#160;|<br ?\/?>)$/su,
]

export const strayMark: Channel = {
  id: 'stray-mark',
  finding: 'stray-mark',
  title: 'Stray marks',
  describe:
    'An apostrophe, quotes, brackets, a bullet, an equals sign, outer spaces or the mark of a number type became part of the value.',
  met: 'marks typed to force text in a spreadsheet cell, exports that quote twice, and values printed as a program writes them',
  prevent: 'Export the value of the cell and not its text marker; quote fields once.',
  example: { before: '00417', after: "'00417", form: 'apostrophe' },
  forms: [...WRAPPERS.keys()],
  forward(text, form) {
    const wrapper = WRAPPERS.get(form)
    if (!wrapper || (wrapper.behindDigits && !/^\d+$/.test(text))) return text
    if (wrapper.aroundLetters && !/\p{L}/u.test(text)) return text
    return wrapper.open + text + wrapper.close
  },
  inverse(seen) {
    const inner = UNMARK.flatMap((pattern) => pattern.exec(seen)?.[1] ?? [])
    const texts = [...new Set(inner)].filter((text) => text !== '' && text !== seen)
    return texts.length ? [{ kind: 'texts', texts }] : []
  },
}

export const hiddenCharacter: Channel = {
  id: 'hidden-character',
  finding: 'hidden-character',
  title: 'Hidden characters',
  describe: 'No-break, zero-width or control characters stand in the value and cannot be seen.',
  met: 'values copied from web pages and documents, byte order marks in joined files',
  prevent: 'Paste as plain text, and take invisible characters out where data enters.',
  example: { before: '00417', after: '\u200b00417', form: 'zero width, front' },
  forms: ['zero width, front', 'no-break, end', 'byte order mark', 'inside'],
  forward(text, form) {
    if (form === 'no-break, end') return `${text}\u00a0`
    if (form === 'byte order mark') return `\ufeff${text}`
    if (form === 'inside') return `${text.slice(0, 2)}\u200b${text.slice(2)}`
    return `\u200b${text}`
  },
  inverse(seen) {
    const text = seen.replace(HIDDEN, '')
    return text === seen || text === '' ? [] : [{ kind: 'texts', texts: [text] }]
  },
}

export const foreignDigit: Channel = {
  id: 'foreign-digit',
  finding: 'foreign-digit',
  title: 'Digits of another script',
  describe:
    'Digits are written in another script or width, which look like digits but match nothing.',
  met: 'input from keyboards set to another script, and full-width input methods',
  prevent: 'Turn digits into ASCII where data enters.',
  example: { before: '00417', after: '００４１７', form: 'full width' },
  forms: ['full width', 'full width, all', 'arabic-indic', 'devanagari'],
  forward(text, form) {
    if (form === 'full width, all')
      return text.replace(/[!-~]/g, (char) => String.fromCharCode(char.charCodeAt(0) + TO_FULL))
    const zero = form === 'arabic-indic' ? 0x660 : form === 'devanagari' ? 0x966 : 0xff10
    return text.replace(/[0-9]/g, (digit) => String.fromCodePoint(zero + digit.charCodeAt(0) - 48))
  },
  inverse(seen) {
    const text = [...seen].map(inAscii).join('')
    return text === seen ? [] : [{ kind: 'texts', texts: [text] }]
  },
}

/** A text with its marks taken off, and what was found on the way. */
export interface Unmarked {
  readonly text: string
  readonly findings: readonly FindingCode[]
}

/** Printed in ASCII, and neither its first nor its last character is a mark: nearly all texts. */
const UNMARKED =
  /^[!#-%(,./\d:;>-Z\\-_a-z|](?:[ -~]*(?<!\d(?:UL?|L)?(?=[Lun]))[!#-&(+-.0-9<=@-\\^_a-z|~])?$/

/** The text itself and every text left when its marks are taken off one after another. */
export function unmark(seen: string): Unmarked[] {
  const found: Unmarked[] = [{ text: seen, findings: [] }]
  if (UNMARKED.test(seen)) return found
  for (const channel of [hiddenCharacter, foreignDigit, strayMark, strayMark]) {
    for (const { text, findings } of [...found]) {
      for (const preimage of channel.inverse(text)) {
        if (preimage.kind !== 'texts') continue
        for (const inner of preimage.texts) {
          if (found.some((other) => other.text === inner)) continue
          found.push({ text: inner, findings: [...new Set([...findings, channel.finding])] })
        }
      }
    }
  }
  return found
}

// Decimal digits of every script stand in runs of ten that start at their zero.
function inAscii(char: string): string {
  if (char <= '\x7f') return char
  if (char >= '！' && char <= '～') return String.fromCharCode(char.charCodeAt(0) - TO_FULL)
  if (!DIGIT.test(char)) return ASCII_MARK[char] ?? char
  let zero = char.codePointAt(0)!
  // Mathematical digits are five runs without a gap.
  if (zero >= 0x1d7ce && zero <= 0x1d7ff) return String.fromCharCode(48 + ((zero - 0x1d7ce) % 10))
  let value = 0
  while (value < 9 && DIGIT.test(String.fromCodePoint(zero - 1))) {
    zero--
    value++
  }
  return String.fromCharCode(48 + value)
}
