// Reads the lists that a rules file calls right. Values of them that do not fit are left out and told.

import { fit, trustedList, type Rules, type TrustedList } from 'sornak'
import { fieldText } from 'sornak/rows'
import { join } from 'node:path'
import { tell } from './output.js'
import { progress } from './progress.js'
import { headersOf, openRows, readRecords } from './read-rows.js'
import { openSource, utf8Check } from './source.js'
import { usage } from './stop.js'

/** @param base the directory of the rules file */
export async function trustedLists(
  rules: Rules | undefined,
  base: string,
): Promise<ReadonlyMap<string, TrustedList>> {
  const lists = new Map<string, TrustedList>()
  for (const [key, { from, column }] of rules?.trusted ?? []) {
    const path = join(base, from)
    const definition = rules!.identifiers.get(key)!
    const source = openSource(path, path, undefined)
    const texts: string[] = []
    let unfit = 0
    try {
      const { shape, first } = openRows(source, undefined)
      let at = -1
      await readRecords(
        source,
        shape,
        first,
        (view, { index, line }) => {
          if (index === 0) {
            const headers = headersOf(view, shape, path, line)
            at = headers.indexOf(column)
            if (at < 0)
              throw usage(
                `The trusted list ${path} has no column "${column}".`,
                `Its columns: ${headers.map((one) => `"${one}"`).join(', ')}.`,
              )
            return
          }
          const text = at < view.fields ? fieldText(view, at, shape.quote) : ''
          if (fit(definition, text).ok) texts.push(text)
          else if (text.trim()) unfit++
        },
        progress(path, true),
        utf8Check(path),
      )
    } finally {
      source.close()
    }
    if (unfit)
      tell(`${unfit} values of the trusted list ${path} do not fit "${key}" and are left out.`)
    lists.set(key, trustedList(texts))
  }
  return lists
}
