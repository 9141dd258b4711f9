// What the columns of a run hold: a rules file, or one column bound on the command line.

import {
  CATALOG,
  define,
  fromCatalog,
  meansFile,
  nearest,
  reader,
  type Definition,
  type Rules,
} from 'sornak'
import { existsSync } from 'node:fs'
import { dirname, relative, resolve } from 'node:path'
import type { FileRule } from 'sornak-files'
import { headerRowGiven } from './header-row.js'
import { loadRules } from './rules-source.js'
import { usage } from './stop.js'

export const DEFAULT_RULES = 'sornak.yaml'

export interface BindFlags {
  readonly rules?: string
  readonly as?: string
  readonly stored?: string
  readonly column?: string
  readonly headerRow?: string
}

export interface BoundRun {
  /** By which it was bound. */
  readonly flags: BindFlags
  readonly rules: Rules | undefined
  /** Paths in the rules file are relative to this directory. */
  readonly base: string
  /** One column bound on the command line. */
  readonly single: FileRule | undefined
}

export function bindRun(flags: BindFlags): BoundRun {
  const single = flags.as !== undefined || flags.stored !== undefined
  const rulesPath =
    flags.rules ?? (!single && existsSync(DEFAULT_RULES) ? DEFAULT_RULES : undefined)
  if (!single && rulesPath === undefined) {
    throw usage(
      'Nothing says what the columns hold.',
      'Name a rules file with -r, or bind one column: --as card/payment --column Card.',
    )
  }
  const rules = rulesPath === undefined ? undefined : loadRules(rulesPath)
  return {
    flags,
    rules,
    base: rulesPath === undefined ? '.' : dirname(rulesPath),
    single: single ? singleRule(flags, rules) : undefined,
  }
}

function singleRule(
  { as, stored, column, headerRow }: BindFlags,
  rules: Rules | undefined,
): FileRule {
  if (as !== undefined && stored !== undefined)
    throw usage('--as and --stored both say what the column holds.', 'Use one of them.')
  if (column === undefined)
    throw usage('Nothing says which column to inspect.', 'Add --column with its header.')
  const definition = as === undefined ? fromMask(stored!) : definitionNamed(as, rules)
  return {
    headerRow: headerRowGiven(headerRow) ?? 1,
    skipLast: 0,
    key: undefined,
    bind: new Map([[column, { kind: 'one', definition }]]),
  }
}

/** @throws {Stop} with the nearest name, for one that nothing has */
export function definitionNamed(name: string, rules: Rules | undefined): Definition {
  const definition = rules?.identifiers.get(name) ?? fromCatalog(name)
  if (definition) return definition
  const near = nearest(name, [...(rules?.identifiers.keys() ?? []), ...CATALOG.keys()])
  throw usage(
    `Unknown identifier "${name}".`,
    near ? `Did you mean "${near}"?` : '"sornak catalog" lists what ships; --stored takes a mask.',
  )
}

function fromMask(stored: string): Definition {
  const read = reader()
  const definition = define('value', { stored }, [], read)
  if (definition) return definition
  throw usage(read.problems.map(({ message, todo }) => `${message}\n  ${todo}`).join('\n'))
}

/** @param sheet undefined where it is not known yet, or there is none */
export function ruleFor(
  rules: Rules,
  path: string,
  name: string,
  base: string,
  sheet?: string,
): FileRule {
  const found = rules.columns.find((rule) => meansRule(rule, path, name, base, sheet))
  if (found) return found
  // Standard input has no name of its own: the only entry there is must be meant.
  if (path === '-' && rules.columns.length === 1) return rules.columns[0]!
  const patterns = rules.columns.map((rule) => `"${rule.in}"`).join(', ')
  throw usage(
    `${name} matches no entry under "columns" in the rules file.`,
    path === '-'
      ? `Say which one is meant with --stdin-name: ${patterns}.`
      : patterns
        ? `Entries there: ${patterns}.`
        : 'There are none; add one with "in" and "bind".',
  )
}

/** Whether an entry speaks of a file, and of this sheet of it. */
export function meansRule(
  rule: Pick<Rules['columns'][number], 'in'>,
  path: string,
  name: string,
  base: string,
  sheet: string | undefined,
): boolean {
  const [where = ''] = path.split('#')
  if (isConnection(where)) return meansFile(rule.in, where, sheet)
  return meansFile(rule.in, relativePath(base, name), sheet)
}

/** A database that is named by its connection or by the variable that holds it. */
export const isConnection = (path: string): boolean =>
  /^(?:postgres(?:ql)?:\/\/|database:)/.test(path)

export const relativePath = (base: string, name: string) =>
  relative(resolve(base), resolve(name)).replaceAll('\\', '/')

/** What the rules file accepts in a file or sheet. */
export function acceptedIn(
  rules: Rules | undefined,
  name: string,
  base: string,
  sheet: string | undefined,
): Rules['accepted'] {
  return (rules?.accepted ?? []).filter((one) => meansFile(one.in, relativePath(base, name), sheet))
}
