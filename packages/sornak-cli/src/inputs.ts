// Whatever is named on the command line as the tables it holds: files of every format, sheets of workbooks,
// tables of databases. Each is opened, visited and closed in turn.

import { inputsOf, readTexts, type Format, type Source, type TextVisitor } from 'sornak-files'
import { isConnection } from './binding.js'
import { tell } from './output.js'
import { progress } from './progress.js'
import type { ReadFlags } from './read-flags.js'
import { desk } from './source.js'
import { unreadable, usage } from './stop.js'

export interface OpenedInput {
  /** As the user named it. */
  readonly path: string
  /** With the sheet or table behind a `#`, where there is one. */
  readonly name: string
  readonly sheet: string | undefined
  readonly format: Format | 'database'
  /** How many tables the file has, this one included. */
  readonly of: number
  readonly source: Source
}

export async function eachInput(
  path: string,
  name: string,
  flags: ReadFlags,
  visit: (input: OpenedInput) => Promise<void>,
): Promise<void> {
  const files = desk()
  try {
    const { inputs, notices } = await opened(path, name, flags, files)
    for (const notice of notices) if (flags.quiet !== true) tell(notice)
    for (const { sheet, format, open } of inputs) {
      const source = await open(progress(name, flags.quiet === true))
      const input = { path, name: source.name, sheet, format, of: inputs.length, source }
      // A sheet on which nothing stands is no table.
      if (source.size === 0 && inputs.length > 1) continue
      await visit(input)
    }
  } finally {
    files.close()
  }
}

async function opened(
  path: string,
  name: string,
  flags: ReadFlags,
  files: ReturnType<typeof desk>,
) {
  if (isConnection(path))
    return (await import('./database/postgres.js')).postgresInputs(path, flags, files.keep)
  const source = files.open(path, name)
  const head = new Uint8Array(16)
  source.read(head, 0)
  if (new TextDecoder().decode(head) === 'SQLite format 3\0')
    return (await import('./database/sqlite.js')).sqliteInputs(path, name, flags, files.keep)
  const { delimiter, quote, ...rest } = flags
  const given = {
    ...rest,
    delimiter: delimiterOf(delimiter),
    quote: oneCharacter('--quote', quote),
  }
  return inputsOf(source, given, files.keep)
}

/**
 * The only table of a file, or the sheet that the user chose.
 * @throws {Stop} where it is not clear which of several is meant
 */
export async function oneInput<T>(
  path: string,
  name: string,
  flags: ReadFlags,
  visit: (input: OpenedInput) => Promise<T>,
): Promise<T> {
  const found: T[] = []
  await eachInput(path, name, flags, async (input) => {
    if (input.of > 1)
      throw usage(
        `${name} has ${input.of} sheets or tables.`,
        'Say which one is meant with --sheet.',
      )
    found.push(await visit(input))
  })
  if (found.length === 0) throw unreadable(`${name} holds no table.`)
  return found[0]!
}

/** All texts of the only table of a file. */
export async function eachText(
  path: string,
  flags: ReadFlags,
  visitor: TextVisitor,
  headerRow = 1,
): Promise<void> {
  const name = path === '-' ? 'standard input' : path
  await oneInput(path, name, flags, ({ source }) =>
    readTexts(source, visitor, progress(name, flags.quiet === true), headerRow),
  )
}

/** @throws {Stop} for anything but one character, or `tab` */
export function delimiterOf(text: string | undefined): string | undefined {
  return oneCharacter('--delimiter', text === 'tab' || text === '\\t' ? '\t' : text)
}

function oneCharacter(option: string, text: string | undefined): string | undefined {
  if (text !== undefined && (text.length !== 1 || text.charCodeAt(0) > 127))
    throw usage(
      `${option} takes one character.`,
      option === '--delimiter' ? 'For a tab write --delimiter tab.' : '',
    )
  return text
}
