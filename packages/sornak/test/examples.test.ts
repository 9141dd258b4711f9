// Every example in the doc comments and documents is run, and says what really comes back.

import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { mask } from 'sornak'
import { exampleBlocks, fencedBlocks, filesUnder, runCode } from './doc-blocks.js'

const root = new URL('../../../', import.meta.url).pathname
const blocks = [
  ...filesUnder(`${root}packages/sornak/src`, '.ts').flatMap(exampleBlocks),
  ...[...filesUnder(`${root}docs`, '.md'), `${root}README.md`].flatMap(fencedBlocks),
].filter(({ language }) => language === 'js')

test.each(
  blocks.map((block) => [`${block.file.slice(root.length)}:${block.line}`, block] as const),
)('%s', (_, block) => {
  expect(runCode(block)).toBeGreaterThan(0)
})

const tables = readFileSync(`${root}docs/masks.md`, 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('| `'))
  .map((line) => [...line.matchAll(/`([^`]*)`/g)].map((cell) => cell[1]!))

test.each(tables.filter((cells) => cells.length === 3))(
  '%s shows %s as %s',
  (text, given, want) => {
    expect(mask(text!).show(given!)).toMatchObject({ ok: true, text: want })
  },
)

test.each(tables.filter((cells) => cells.length === 2))(
  '{number, %s} shows -1234.5 as %s',
  (options, want) => {
    const shown = mask(`{number, ${options}}`).show('-1234.5')
    // A document has ordinary spaces where locales have spaces that do not break, and none around code.
    expect(shown.ok && shown.text.replaceAll('\u00a0', ' ').trim()).toBe(want)
  },
)

test('the tables were found', () => {
  expect(tables.length).toBeGreaterThan(15)
})
