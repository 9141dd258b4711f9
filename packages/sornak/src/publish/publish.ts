// A rules file for other places: what each form can say of an identifier, and what it leaves out.

import { identifierWords } from './people.js'
import type { Definition } from '../identifier/definition.js'
import type { ColumnRule } from '../identifier/column-rules.js'
import type { Rules } from '../identifier/rules.js'
import { entryMode } from './html-mode.js'
import { patternOf } from './pattern.js'
import { sqliteCheck, sqlText } from './sqlite.js'

export const FORMS = [
  'json-schema',
  'csvw',
  'table-schema',
  'postgres',
  'sqlite',
  'html',
  'regex',
  'markdown',
] as const
export type Form = (typeof FORMS)[number]

/** @returns the text of the form, and what it could not say, a sentence each */
export function publish(
  rules: Rules,
  form: Form,
): { readonly text: string; readonly unsaid: readonly string[] } {
  const definitions = [...rules.identifiers.values()]
  const all = new Map(definitions.map((one) => [one.key, one]))
  for (const { bind } of rules.columns)
    for (const binding of bind.values())
      for (const one of binding.kind === 'one' ? [binding.definition] : binding.cases.values())
        all.set(one.key, one)
  const every = [...all.values()]
  const unsaid = every.flatMap((one) => patternOf(one).unsaid)
  const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`
  switch (form) {
    case 'json-schema':
      return { text: json(jsonSchema(rules, every)), unsaid }
    case 'csvw':
      return { text: json(csvw(rules)), unsaid }
    case 'table-schema':
      return { text: json(tableSchemas(rules)), unsaid }
    case 'postgres':
      return { text: every.map(domain).join('\n'), unsaid }
    case 'sqlite': {
      const tables = rules.columns.map((rule, i) => table(rule, i))
      return {
        text: tables.map(({ text }) => text).join('\n'),
        unsaid: tables.flatMap((one) => one.unsaid),
      }
    }
    case 'html':
      return { text: every.map(input).join(''), unsaid }
    case 'regex':
      return {
        text: every.map((one) => `${one.key}\t^(?:${patternOf(one).source})$\n`).join(''),
        unsaid,
      }
    case 'markdown':
      return { text: people(rules, every), unsaid: [] }
  }
}

const anchored = (definition: Definition) => `^(?:${patternOf(definition).source})$`

function jsonSchema(rules: Rules, every: readonly Definition[]): unknown {
  const identifiers = every.map((one) => {
    const { least, most } = patternOf(one)
    return [
      one.key,
      {
        title: one.title,
        ...(one.note !== undefined && { description: one.note }),
        type: 'string',
        pattern: anchored(one),
        minLength: least,
        ...(most !== undefined && { maxLength: most }),
      },
    ]
  })
  const records = rules.columns.map((rule) => {
    const bound = [...rule.bind].flatMap(([header, binding]) =>
      binding.kind === 'one' ? [[header, binding.definition] as const] : [],
    )
    return [
      rule.in,
      {
        type: 'object',
        properties: Object.fromEntries(
          bound.map(([header, { key, required }]) => [
            header,
            required ? ref(key) : { anyOf: [ref(key), { const: '' }] },
          ]),
        ),
        required: bound.filter(([, one]) => one.required).map(([header]) => header),
      },
    ]
  })
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $defs: Object.fromEntries([...identifiers, ...records]),
  }
}

const ref = (key: string) => ({
  $ref: `#/$defs/${key.replaceAll('~', '~0').replaceAll('/', '~1')}`,
})

const bound = ({ bind }: ColumnRule) =>
  [...bind].flatMap(([header, binding]) =>
    binding.kind === 'one' ? [{ header, definition: binding.definition }] : [],
  )

function csvw({ columns }: Rules): unknown {
  return {
    '@context': 'http://www.w3.org/ns/csvw',
    tables: columns.map((rule) => ({
      url: rule.in,
      tableSchema: {
        columns: bound(rule).map(({ header, definition }) => ({
          titles: header,
          datatype: { base: 'string', format: patternOf(definition).source },
          required: definition.required,
        })),
      },
    })),
  }
}

function tableSchemas({ columns }: Rules): unknown {
  return columns.map((rule) => ({
    path: rule.in,
    schema: {
      fields: bound(rule).map(({ header, definition }) => ({
        name: header,
        title: definition.title,
        type: 'string',
        constraints: {
          pattern: patternOf(definition).source,
          required: definition.required,
          unique: definition.unique,
        },
      })),
      missingValues: [''],
    },
  }))
}

const name = (text: string) => `"${text.replaceAll('"', '""')}"`
const column = (key: string) => key.replace(/[^A-Za-z0-9_]+/g, '_')

function domain(definition: Definition): string {
  const { source, unsaid } = patternOf(definition, 'postgres')
  const notes = unsaid.map((one) => `-- ${one}\n`).join('')
  return `${notes}CREATE DOMAIN ${name(column(definition.key))} AS text\n  CHECK (VALUE ~ ${sqlText(`^(?:${source})$`)});\n`
}

function table(rule: ColumnRule, i: number): { text: string; unsaid: readonly string[] } {
  const bare = rule.in
    .replace(/\.[^.]*$/, '')
    .replace(/[^A-Za-z0-9_]+/g, '_')
    .replace(/^_+|_+$/g, '')
  const unsaid: string[] = []
  const lines = bound(rule).map(({ header, definition }) => {
    const { check, notes } = sqliteCheck(definition, name(header))
    unsaid.push(...notes)
    return `  ${name(header)} TEXT${definition.required ? ' NOT NULL' : ''}${definition.unique ? ' UNIQUE' : ''} CHECK (typeof(${name(header)}) = 'null' OR (typeof(${name(header)}) = 'text' AND (${check})))`
  })
  const notes = [...new Set(unsaid)].map((one) => `-- ${one}\n`).join('')
  return {
    text: `${notes}CREATE TABLE ${name(bare || `table_${i + 1}`)} (\n${lines.join(',\n')}\n);\n`,
    unsaid: [...new Set(unsaid)],
  }
}

function input(definition: Definition): string {
  const { source } = patternOf(definition)
  const attribute = (text: string) => text.replace(/[&"<>]/g, (char) => `&#${char.charCodeAt(0)};`)
  return `<input name="${attribute(column(definition.key))}" inputmode="${entryMode(definition)}" pattern="${attribute(source)}"${definition.required ? ' required' : ''} title="${attribute(identifierWords(definition))}">\n`
}

function people(rules: Rules, every: readonly Definition[]): string {
  const cell = (text: string) => text.replaceAll('|', '\\|').replace(/\s+/g, ' ')
  const rows = every.map(
    (one) =>
      `| ${cell(one.title)} | \`${cell(one.key)}\` | ${one.stored.masks.map(({ text }) => `\`${cell(text)}\``).join(' or ')} | ${cell(identifierWords(one))} |`,
  )
  const files = rules.columns.map(
    (rule) =>
      `- \`${rule.in}\`: ${bound(rule)
        .map(({ header, definition }) => `${cell(header)} is \`${definition.key}\``)
        .join(', ')}`,
  )
  return [
    '| What | Name | Stored as | Rules |',
    '| --- | --- | --- | --- |',
    ...rows,
    '',
    ...files,
    '',
  ].join('\n')
}
