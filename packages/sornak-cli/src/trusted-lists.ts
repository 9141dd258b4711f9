// Reads the lists that a rules file calls right. Values of them that do not fit are left out and told.

import { fit, type Rules, type TrustedList } from 'sornak'
import { join } from 'node:path'
import { tell } from './output.js'
import { eachText } from './inputs.js'
import { memberSorter } from './sorted-members.js'
import { desk } from './source.js'
import { usage } from './stop.js'

/** @param base the directory of the rules file */
export async function trustedLists(
  rules: Rules | undefined,
  base: string,
): Promise<ReadonlyMap<string, TrustedList>> {
  const lists = new Map<string, TrustedList>()
  // The lists are asked until the command ends; what is kept of them has no name and goes with it.
  const files = desk()
  for (const [key, { from, column }] of rules?.trusted ?? []) {
    const path = join(base, from)
    const definition = rules!.identifiers.get(key)!
    const sorter = memberSorter(files, path)
    let unfit = 0
    let at = -1
    await eachText(
      path,
      {},
      {
        header(headers) {
          at = headers.indexOf(column)
          if (at < 0)
            throw usage(
              `The trusted list ${path} has no column "${column}".`,
              `Its columns: ${headers.map((one) => `"${one}"`).join(', ')}.`,
            )
        },
        record(text) {
          const value = text(at)
          if (fit(definition, value).ok) sorter.add(value)
          else if (value.trim()) unfit++
        },
      },
    )
    if (unfit)
      tell(`${unfit} values of the trusted list ${path} do not fit "${key}" and are left out.`)
    lists.set(key, sorter.done())
  }
  return lists
}
