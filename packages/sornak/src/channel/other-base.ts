// A leading zero taken for octal, and a colon taken for base sixty.

import type { Channel, Preimage } from './channel.js'

/** Characters of a text that is tried, at the most. */
const LONGEST = 23

export const otherBase: Channel = {
  id: 'other-base',
  finding: 'base-changed',
  title: 'Read in another base',
  describe:
    'A leading zero makes a program read the digits as octal, or a colon makes it read them in base sixty.',
  met: 'scripting languages, shells and configuration files that take 0641 for octal and 12:30 for 750',
  prevent: 'Quote the value, or read it as text; never let a reader guess the base.',
  example: { before: '00641', after: '417', form: 'octal' },
  forms: ['octal', 'octal or decimal', 'octal as far as it goes', 'base sixty'],
  forward(text, form) {
    if (form === 'base sixty') return sixty(text)
    if (!/^0\d+$/.test(text)) return text
    const octal = /^[0-7]*/.exec(text)![0]
    if (octal !== text && form === 'octal') return text
    if (octal !== text && form === 'octal or decimal') return text.replace(/^0+(?=\d)/, '')
    return BigInt(`0o${octal}`).toString()
  },
  inverse(seen) {
    if (!/^(?:0|[1-9]\d*)$/.test(seen)) return []
    const found: Preimage[] = [{ kind: 'texts', texts: [...octalTexts(seen), ...sixtyTexts(seen)] }]
    // A reader that stops at an 8 or 9 prints what came before it.
    for (const front of octalTexts(seen))
      for (const digit of ['8', '9']) {
        found.push(
          { kind: 'texts', texts: [front + digit] },
          { kind: 'starts', text: front + digit },
        )
      }
    // Digits 8 and 9 may have made it read the value as decimal after all.
    if (/[89]/.test(seen)) found.push({ kind: 'texts', texts: padded(seen).slice(1) })
    return found
  },
}

/**
 * Texts with a leading zero that read as this value in octal, with any number of zeros before.
 *
 * @param longest characters that such a text has at the most
 */
export function octalTexts(seen: string, longest: number = LONGEST): string[] {
  const octal = BigInt(seen).toString(8)
  return octal === '0' ? padded(octal, longest) : padded(octal, longest).slice(1)
}

/** Texts with colons that read as this value in base sixty. */
export function sixtyTexts(seen: string): string[] {
  const value = BigInt(seen)
  const two = (n: bigint) => `${n}`.padStart(2, '0')
  const [minutes, rest] = [value / 60n, value % 60n]
  const texts = [`${minutes}:${two(rest)}`, `${two(minutes)}:${two(rest)}`, `${minutes}:${rest}`]
  if (minutes >= 60n) {
    const [hours, left] = [minutes / 60n, minutes % 60n]
    texts.push(`${hours}:${two(left)}:${two(rest)}`, `${two(hours)}:${two(left)}:${two(rest)}`)
  }
  return [...new Set(texts)]
}

const padded = (digits: string, longest: number = LONGEST) => {
  const texts = [digits]
  for (let text = `0${digits}`; text.length <= longest; text = `0${text}`) texts.push(text)
  return texts
}

function sixty(text: string): string {
  if (!/^\d+(?::\d{1,2}){1,2}$/.test(text)) return text
  const parts = text.split(':')
  if (parts.slice(1).some((part) => BigInt(part) > 59n)) return text
  return parts.reduce((sum, part) => sum * 60n + BigInt(part), 0n).toString()
}
