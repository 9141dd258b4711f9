// sornak publish: the rules file in the form of another place, and what that form cannot say.

import { existsSync } from 'node:fs'
import { FORMS, nearest, publish as published, type Form } from 'sornak'
import { DEFAULT_RULES } from '../binding.js'
import { keepInputs, openOutput, tell } from '../output.js'
import { loadRules } from '../rules-source.js'
import { STATUS, usage } from '../stop.js'

export function publish(flags: {
  readonly rules?: string
  readonly as: string
  readonly out?: string
  readonly quiet?: boolean
}): number {
  const form = FORMS.find((one) => one === flags.as)
  if (!form) {
    const near = nearest(flags.as, FORMS)
    throw usage(
      `There is no form "${flags.as}".`,
      near ? `Did you mean "${near}"?` : `Write one of: ${FORMS.join(', ')}.`,
    )
  }
  const path = flags.rules ?? (existsSync(DEFAULT_RULES) ? DEFAULT_RULES : undefined)
  if (path === undefined) throw usage('Nothing is there to publish.', 'Name a rules file with -r.')
  keepInputs([path], [flags.out])
  const { text, unsaid } = published(loadRules(path), form satisfies Form)
  const output = openOutput(flags.out)
  output.write(text)
  output.finish()
  if (flags.quiet !== true) for (const one of unsaid) tell(one)
  return STATUS.fine
}
