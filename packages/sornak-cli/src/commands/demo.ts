// sornak demo: copies the data of Harrow Sound Ferries to a folder and inspects it.

import { copyFileSync, existsSync, mkdirSync, readdirSync } from 'node:fs'
import { join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { tell } from '../output.js'
import { STATUS, systemReason, unreadable } from '../stop.js'
import { inspect } from './inspect.js'

export interface DemoFlags {
  readonly to: string
  readonly reveal?: boolean
  readonly color: boolean
}

// Beside the built command; its name is the same wherever the bundler puts this module.
const bundled = ['demo', '../demo']
  .map((path) => fileURLToPath(new URL(path, import.meta.url)))
  .find(existsSync)

export async function demo({ to, reveal, color }: DemoFlags): Promise<number> {
  if (bundled === undefined)
    throw unreadable('The demo data is not there.', 'Build the command first: npm run build.')
  const copied = copyTo(bundled, to)
  const tables = copied
    .filter((name) => name.endsWith('.csv') && !name.includes('.truth.'))
    .map((name) => join(to, name))
  const rules = join(to, 'sornak.yaml')
  const common = { rules, color, candidates: '10', ...(reveal === true && { reveal }) }
  await inspect(tables, { ...common, format: 'text' })
  const findings = join(to, 'findings.jsonl')
  await inspect(tables, { ...common, format: 'jsonl', out: findings, quiet: true })
  tell(
    [
      '',
      `The data and its rules are in ${relative('.', to) || to}/, every finding as a line of JSON in ${findings}.`,
      'Try next:',
      `  sornak inspect ${tables[0]} -r ${rules} --reveal`,
      `  sornak explain crew-number 417 -r ${rules} --reveal`,
      "  sornak show '({3}) {3}-{4}' 2065550142",
      'See it in a browser, in a clone of the project:',
      '  npm run workbench   then open http://localhost:4180/?demo=crew',
    ].join('\n'),
  )
  return STATUS.fine
}

function copyTo(from: string, to: string): string[] {
  try {
    mkdirSync(to, { recursive: true })
    const names = readdirSync(from).sort()
    for (const name of names) copyFileSync(join(from, name), join(to, name))
    return names
  } catch (error) {
    throw unreadable(
      `The demo data cannot be put into ${to}: ${systemReason(error)}.`,
      'Name another folder with --to.',
    )
  }
}
