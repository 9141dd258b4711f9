// The tables of a file that the rules speak of, each with its rule; those of which they do not are named.

import { FileProblem, type FileRule } from 'sornak-files'
import { meansRule, ruleFor, type BoundRun } from './binding.js'
import { eachInput, type OpenedInput } from './inputs.js'
import type { ReadFlags } from './read-flags.js'
import type { BoundBy } from './threads.js'
import { usage } from './stop.js'

/** @param unbound hears of tables that are passed over */
export async function eachBoundInput(
  path: string,
  name: string,
  { flags: by, single, rules, base }: BoundRun,
  flags: ReadFlags,
  unbound: (notice: string) => void,
  visit: (input: OpenedInput, rule: FileRule, bound: BoundBy) => Promise<void>,
): Promise<void> {
  let bound = 0
  let refused: unknown
  const layout = flags.layout ?? (single ? undefined : ruleFor(rules!, path, name, base).layout)
  const reading = layout === undefined ? flags : { ...flags, layout }
  await eachInput(path, name, reading, async (input) => {
    const { sheet } = input
    const meant = rules?.columns.some((rule) => meansRule(rule, path, name, base, sheet)) === true
    if (!single && sheet !== undefined && !meant) return unbound(`Not inspected: ${input.name}.`)
    try {
      const rule = single ?? ruleFor(rules!, path, name, base, sheet)
      await visit(input, rule, { flags: by, path, name })
      bound++
    } catch (error) {
      // A rule that speaks of all sheets is about those that have its columns.
      if (input.of === 1 || !(error instanceof FileProblem) || error.code !== 'unbound') throw error
      refused ??= error
      unbound(`Not inspected: ${input.name}, which does not have the bound columns.`)
    }
  })
  if (bound > 0) return
  if (refused !== undefined) throw refused
  throw usage(
    `No sheet or table of ${name} is bound.`,
    'Add one under "columns": in: "FILE#SHEET".',
  )
}
