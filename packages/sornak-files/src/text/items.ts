// One column of a table as a list that can be compared: every value, and what is left of it where it is damaged.

import type { Definition, Item } from 'sornak'
import { noProgress, type Progress, type Source } from '../source.js'
import { inspectFile } from './inspect.js'
import { readTexts } from './texts.js'

export async function itemsOf(
  source: Source,
  header: string,
  definition: Definition,
  progress: Progress,
  headerRow = 1,
): Promise<{ readonly items: readonly Item[]; readonly blank: number }> {
  const items: Item[] = []
  const visit = (item: Item) => void items.push(item)
  const { blank } = await eachItem(source, header, definition, progress, headerRow, visit)
  return { items, blank }
}

/** The same, one by one: only damaged values are held. */
export async function eachItem(
  source: Source,
  header: string,
  definition: Definition,
  progress: Progress,
  headerRow: number,
  visit: (item: Item) => void,
): Promise<{ readonly values: number; readonly blank: number }> {
  const rule = {
    headerRow,
    skipLast: 0,
    key: undefined,
    bind: new Map([[header, { kind: 'one' as const, definition }]]),
  }
  const options = {
    reveal: true,
    candidates: 2,
    allowMissing: false,
    profile: false,
    trusted: new Map<string, never>(),
  }
  const file = await inspectFile(source, rule, options, progress)
  const told = new Map<number, Item>()
  await file.second((found) => {
    if (found.kind !== 'value') return
    const { record, value, verdict, mend, finding } = found
    told.set(record, { record, value, verdict, mend: mend ?? undefined, finding })
  })
  let values = 0
  let blank = 0
  let at = -1
  const add = (item: Item) => {
    values++
    visit(item)
  }
  const visitor = {
    header: (headers: readonly string[]) => void (at = headers.indexOf(header)),
    record(text: (index: number) => string, record: number) {
      const value = text(at)
      const item = told.get(record)
      if (item) add(item)
      else if (value.trim()) add({ record, value, verdict: 'intact' })
      else blank++
    },
  }
  await readTexts(source, visitor, noProgress, headerRow)
  return { values, blank }
}
