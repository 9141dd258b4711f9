// JSON (RFC 8259) as tokens, numbers as the text that stands in the file: no number is ever worked out.

import { Tokenizer, TokenType } from '@streamparser/json'
import { FileProblem, unreadable } from '../problem.js'
import type { Progress, Source } from '../source.js'

export type JsonToken =
  | { readonly kind: '{' | '}' | '[' | ']' | ':' | ',' }
  | { readonly kind: 'string' | 'number' | 'word'; readonly text: string }

const CHUNK = 256 * 1024
/** A value longer than this, in bytes, is no cell of a table. */
const LONGEST = 16 * 1024 * 1024

const MARKS: Partial<Record<TokenType, '{' | '}' | '[' | ']' | ':' | ','>> = {
  [TokenType.LEFT_BRACE]: '{',
  [TokenType.RIGHT_BRACE]: '}',
  [TokenType.LEFT_BRACKET]: '[',
  [TokenType.RIGHT_BRACKET]: ']',
  [TokenType.COLON]: ':',
  [TokenType.COMMA]: ',',
}

class ExactTokenizer extends Tokenizer {
  // The text takes the number's place; the type of the token tells what it was.
  protected override parseNumber(text: string): number {
    return text as unknown as number
  }
}

/** @param visit gives false to end early */
export function readTokens(
  source: Source,
  visit: (token: JsonToken) => boolean | undefined,
  progress: Progress,
): void {
  const tokenizer = new ExactTokenizer({ separator: '' })
  let going = true
  let since = 0
  tokenizer.onToken = ({ token, value }) => {
    since = 0
    if (!going) return
    const mark = MARKS[token]
    const given: JsonToken = mark
      ? { kind: mark }
      : token === TokenType.STRING
        ? { kind: 'string', text: value as string }
        : token === TokenType.NUMBER
          ? { kind: 'number', text: value as unknown as string }
          : { kind: 'word', text: String(value) }
    if (token !== TokenType.SEPARATOR && visit(given) === false) going = false
  }
  tokenizer.onError = (error) => {
    throw error
  }
  const buffer = new Uint8Array(CHUNK)
  try {
    for (let at = 0; going;) {
      const size = source.read(buffer, at)
      if (size === 0) {
        if (!tokenizer.isEnded) tokenizer.end()
        return
      }
      at += size
      since += size
      tokenizer.write(buffer.subarray(0, size))
      if (since > LONGEST)
        throw unreadable(`${source.name} holds a value longer than ${LONGEST / 1024 / 1024} MiB.`)
      progress.at(at, source.size)
    }
  } catch (error) {
    if (error instanceof FileProblem) throw error
    throw unreadable(
      `${source.name} is not JSON, or is cut short: ${(error as Error).message}.`,
      'Fetch it again, or mend it where the message says.',
    )
  }
}
