// What `sornak explain` says of a check-digit scheme, and of a value under it.

import { errorsCaught, passes, rightCharacters, type Caught, type CheckScheme } from 'sornak'
import { STATUS } from '../stop.js'
import type { Explained } from '../explained.js'

/** Errors are worked out for values of this many characters. */
const LENGTH = 12

export function schemeLines(scheme: CheckScheme): string[] {
  const lines = [`${scheme.title} (${scheme.id})`, `  Source: ${scheme.cites}`]
  const letters = scheme.alphabet.replace(/[0-9]/g, '')
  lines.push(
    `  Characters: ${scheme.alphabet.includes('0') ? '0 to 9' : ''}${letters ? ` ${letters}` : ''}`,
  )
  const errors = errorsCaught(scheme, LENGTH)
  if (!errors || errors.single.of === 0)
    return [...lines, '  Which errors it catches is not worked out.']
  return [
    ...lines,
    `  One wrong digit:     ${caught(errors.single)}`,
    `  Neighbours swapped:  ${caught(errors.swapped)}`,
    `  (in every value of ${LENGTH} digits)`,
  ]
}

export function schemeValue(scheme: CheckScheme, value: string): Explained {
  const good = passes(scheme, value)
  const right = rightCharacters(scheme, value)
  const end = value.length - 1 - (scheme.checkAt ?? 0)
  const lines = [`${scheme.title} (${scheme.id})`]
  if (good) lines.push('  The check character is right.')
  else if (right.length === 0)
    lines.push(
      '  No check character would make this right: it holds characters that the scheme does not know, or is too short.',
    )
  else {
    lines.push(
      `  The check character is not right: "${value[end]}" stands where ${right.map((one) => `"${one}"`).join(' or ')} belongs.`,
    )
    lines.push('  Which character was mistyped or lost cannot be told from it.')
  }
  return { lines, status: good ? STATUS.fine : STATUS.findings }
}

const caught = ({ caught, of, missed }: Caught): string =>
  caught === of
    ? 'every one is caught'
    : `${caught} of ${of} kinds are caught${missed === undefined ? '' : `, but not ${missed}`}`
