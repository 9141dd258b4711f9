// sornak catalog: the definitions that ship, all of them or those that a word speaks of.

import { CATALOG, fromCatalog, json, type Definition } from 'sornak'
import { openOutput } from '../output.js'
import { STATUS, usage } from '../stop.js'

export interface CatalogFlags {
  readonly format: string
  readonly out?: string
}

export function catalog(words: readonly string[], flags: CatalogFlags): number {
  if (flags.format !== 'text' && flags.format !== 'jsonl')
    throw usage(`There is no format "${flags.format}".`, 'Write --format text or --format jsonl.')
  const all = [...CATALOG.keys()].map((key) => fromCatalog(key)!)
  const found = all.filter((one) => words.every((word) => speaksOf(one, word.toLowerCase())))
  const output = openOutput(flags.out)
  if (flags.format === 'jsonl') for (const one of found) output.write(`${json(entry(one))}\n`)
  else output.write(table(found, words))
  output.finish()
  return found.length ? STATUS.fine : STATUS.findings
}

const speaksOf = ({ key, title, note, cites }: Definition, word: string) =>
  [key, title, note ?? '', cites ?? ''].some((text) => text.toLowerCase().includes(word))

const masks = ({ masks }: Definition['stored']) => masks.map(({ text }) => text)

const entry = (one: Definition) => ({
  key: one.key,
  title: one.title,
  cites: one.cites,
  stored: masks(one.stored),
  display: Object.fromEntries([...one.displays].map(([name, list]) => [name, masks(list)])),
  alsoRead: one.alsoRead ? masks(one.alsoRead) : [],
  check: one.check?.scheme.id,
  sensitivity: one.sensitivity,
  fits: one.samples.fits,
  doesNotFit: one.samples.doesNotFit,
})

function table(found: readonly Definition[], words: readonly string[]): string {
  if (found.length === 0) return `Nothing in the catalog speaks of "${words.join(' ')}".\n`
  const wide = Math.max(...found.map(({ key }) => key.length))
  const titles = Math.max(...found.map(({ title }) => title.length))
  const example = (one: Definition) => {
    const fits = one.samples.fits[0]
    const read = fits === undefined ? undefined : one.stored.read(fits, { strict: true })
    const shown = read?.ok ? one.display.show(read.plain) : undefined
    return shown?.ok ? shown.text : ''
  }
  const lines = found.map((one) =>
    `${one.key.padEnd(wide)}  ${one.title.padEnd(titles)}  ${example(one)}`.trimEnd(),
  )
  return `${lines.join('\n')}\n\n${found.length} definitions. "sornak explain ${found[0]!.key}" says more of one.\n`
}
