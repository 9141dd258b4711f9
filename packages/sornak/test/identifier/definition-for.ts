// A definition for a test, from the keys that a rules file would hold.

import { define, reader, type Definition, type PlainMap } from 'sornak'

export function definition(source: PlainMap): Definition {
  const read = reader()
  const made = define('value', source, [], read)
  if (!made) throw new Error(read.problems.map(({ message }) => message).join(' '))
  return made
}

export function problemCodes(source: PlainMap): string[] {
  const read = reader()
  define('value', source, [], read)
  return read.problems.map(({ code }) => code)
}
