// What is published is run where it is meant to be: values that fit are taken there, values that do not are
// refused, but for what the form says that it cannot tell.

import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import Ajv from 'ajv/dist/2020.js'
import { expect, test } from 'vitest'
import { CATALOG, fit, fromCatalog, identifier, type Definition } from 'sornak'
import { launched } from '../../sornak/test/dom/browser.js'
import { hasPostgres, startPostgres } from './postgres.js'
import { folder, RULES, sornak } from './run.js'

const OWN: Record<string, string> = {
  crew: `{ stored: '{5}' }`,
  parts: `{ stored: '{area: 3}{group: 2}', never: { area: ['000', '450..812'], group: '00' } }`,
  chosen: `{ stored: '{kind: 1 of "A..F"}-{no: 3}', only: { no: ['007', '100..299'] } }`,
  whole: `{ stored: '{4}', never: { value: ['0000', '1234..1239'] } }`,
  several: `{ stored: ['{3}', '{5..6}'] }`,
  section: `{ stored: '{3}[-{2}]' }`,
  widths: `{ stored: ['A{no: 3}', 'BB{no: 2}'], never: { no: ['000', '17'] } }`,
  odd: `{ stored: '(\\{{2}/{1 of "+*"}).' }`,
}
const names = [...CATALOG.keys()].filter((name) =>
  fromCatalog(name)!.stored.masks.every(({ kind }) => kind === 'characters'),
)
const key = (name: string) => name.replaceAll(/[^A-Za-z0-9]+/g, '-')
const RULES_TEXT = `sornak: 1
identifiers:
${Object.entries(OWN)
  .map(([name, text]) => `  ${name}: ${text}`)
  .join('\n')}
${names.map((name) => `  ${key(name)}: { like: ${name} }`).join('\n')}
columns:
  - in: all.csv
    bind:
${[...Object.keys(OWN), ...names.map(key)].map((name) => `      ${name}: ${name}`).join('\n')}
`
const dir = folder({ 'sornak.yaml': RULES_TEXT })
const publish = (form: string) => {
  const ran = sornak(['publish', '--as', form, '-q'], { cwd: dir })
  expect(ran).toMatchObject({ status: 0, err: '' })
  return ran
}

/** Each identifier with values, and whether they fit; what only a check digit refuses is left out. */
const cases: { name: string; value: string; fits: boolean }[] = []
const definitions = new Map<string, Definition>([
  ...names.map((name) => [key(name), fromCatalog(name)!] as const),
  ['crew', identifier({ stored: '{5}' })],
  [
    'parts',
    identifier({
      stored: '{area: 3}{group: 2}',
      never: { area: ['000', '450..812'], group: '00' },
    }),
  ],
  [
    'chosen',
    identifier({ stored: '{kind: 1 of "A..F"}-{no: 3}', only: { no: ['007', '100..299'] } }),
  ],
  ['whole', identifier({ stored: '{4}', never: { value: ['0000', '1234..1239'] } })],
  ['several', identifier({ stored: ['{3}', '{5..6}'] })],
  ['section', identifier({ stored: '{3}[-{2}]' })],
  ['widths', identifier({ stored: ['A{no: 3}', 'BB{no: 2}'], never: { no: ['000', '17'] } })],
  ['odd', identifier({ stored: '(\\{{2}/{1 of "+*"}).' })],
])
const FIRST: Record<string, string[]> = {
  crew: ['00417'],
  parts: ['44911', '45011', '63001', '81201', '81301', '00011', '12300'],
  chosen: ['A-007', 'F-100', 'B-299', 'B-300', 'A-099', 'A-008', 'G-150'],
  whole: ['0000', '1233', '1234', '1239', '1240'],
  several: ['123', '1234', '12345', '123456'],
  section: ['123', '123-45', '123-4'],
  widths: ['A000', 'A017', 'BB17', 'BB00'],
  odd: ['({12/+).', '({12/*).', '({12/-).'],
}
for (const [name, definition] of definitions) {
  const first = FIRST[name] ?? definition.samples.fits
  const all = new Set(
    first.flatMap((text) => [
      text,
      text.slice(1),
      `0${text}`,
      `${text} `,
      text.replace(/\d/, 'x'),
      text.replace(/\d(?!.*\d)/, '·'),
      text.toLowerCase(),
      [...text].reverse().join(''),
    ]),
  )
  for (const value of all) {
    if (value === '') continue
    const found = fit(definition, value)
    if (found.ok || found.code !== 'check-digit') cases.push({ name, value, fits: found.ok })
  }
}
const wanted = cases.map(({ name, value, fits }) => `${name} ${value} ${fits}`)
const told = (accepts: (name: string, value: string) => boolean) =>
  cases.map(({ name, value }) => `${name} ${value} ${accepts(name, value)}`)

test('there are enough cases', () => {
  expect(cases.filter(({ fits }) => fits).length).toBeGreaterThan(200)
  expect(cases.filter(({ fits }) => !fits).length).toBeGreaterThan(400)
})

test('JSON Schema, in a validator', () => {
  const ajv = new Ajv({ unicodeRegExp: true })
  const schema = JSON.parse(publish('json-schema').out) as object
  ajv.addSchema(schema, 'rules')
  const checks = new Map(
    [...definitions.keys()].map((name) => [name, ajv.compile({ $ref: `rules#/$defs/${name}` })]),
  )
  expect(told((name, value) => checks.get(name)!(value))).toEqual(wanted)
  const record = ajv.compile({ $ref: 'rules#/$defs/all.csv' })
  expect(record({ crew: '00417', parts: '' })).toBe(true)
  expect(record({ crew: 417 })).toBe(false)
})

test('regular expressions', () => {
  const lines = publish('regex').out.trimEnd().split('\n')
  const by = new Map(lines.map((line) => line.split('\t') as [string, string]))
  expect(told((name, value) => new RegExp(by.get(name)!, 'u').test(value))).toEqual(wanted)
  expect(told((name, value) => new RegExp(by.get(name)!, 'v').test(value))).toEqual(wanted)
})

test('CSV on the Web and Table Schema have the same patterns', () => {
  const lines = publish('regex')
    .out.trimEnd()
    .split('\n')
    .map((line) => line.split('\t')[1])
  const csvw = JSON.parse(publish('csvw').out) as {
    tables: { tableSchema: { columns: { datatype: { format: string } }[] } }[]
  }
  const schema = JSON.parse(publish('table-schema').out) as {
    schema: { fields: { constraints: { pattern: string } }[] }
  }[]
  const anchored = (text: string) => `^(?:${text})$`
  expect(
    csvw.tables[0]!.tableSchema.columns.map(({ datatype }) => anchored(datatype.format)),
  ).toEqual(lines)
  expect(schema[0]!.schema.fields.map(({ constraints }) => anchored(constraints.pattern))).toEqual(
    lines,
  )
})

test('HTML attributes, in a browser', async () => {
  const browser = await launched()
  try {
    const page = await browser.newPage()
    await page.setContent(`<!doctype html><form>${publish('html').out}</form>`)
    const got = await page.evaluate(
      (list) =>
        list.map(({ name, value }) => {
          const input = document.querySelector<HTMLInputElement>(
            `[name="${name.replaceAll('-', '_')}"]`,
          )!
          input.value = value
          return `${name} ${value} ${!input.validity.patternMismatch}`
        }),
      cases,
    )
    expect(got).toEqual(wanted)
  } finally {
    await browser.close()
  }
})

const quoted = (text: string) => `'${text.replaceAll("'", "''")}'`

test.skipIf(!existsSync('/usr/bin/sqlite3'))('SQLite, in its own shell', () => {
  const script = [
    publish('sqlite').out,
    ...cases.map(
      ({ name, value }) =>
        `INSERT OR IGNORE INTO "all" ("${name}") VALUES (${quoted(value)}); SELECT changes();`,
    ),
    `INSERT OR IGNORE INTO "all" ("crew") VALUES (12345); SELECT changes();`,
  ].join('\n')
  const got = execFileSync('sqlite3', [':memory:'], { input: script, encoding: 'utf8' })
    .trim()
    .split('\n')
  // A text column turns the number into the text that it has: five digits fit.
  expect(got.pop()).toBe('1')
  // Letters outside ASCII are told apart nowhere in these cases.
  expect(cases.map(({ name, value }, i) => `${name} ${value} ${got[i] === '1'}`)).toEqual(wanted)
})

test.skipIf(!hasPostgres)('PostgreSQL, in a cluster of its own', () => {
  const cluster = startPostgres()
  try {
    const domain = (name: string) => `"${name.replaceAll('-', '_')}"`
    const script = [
      publish('postgres').out,
      `CREATE FUNCTION takes(text, text) RETURNS text LANGUAGE plpgsql AS $$ BEGIN EXECUTE format('SELECT %L::%s', $2, $1); RETURN 'true'; EXCEPTION WHEN check_violation THEN RETURN 'false'; END $$;`,
      ...cases.map(({ name, value }) => `SELECT takes(${quoted(domain(name))}, ${quoted(value)});`),
    ].join('\n')
    const got = cluster.run(script).split('\n')
    expect(cases.map(({ name, value }, i) => `${name} ${value} ${got[i]}`)).toEqual(wanted)
  } finally {
    cluster.stop()
  }
})

test('what a form cannot say is told beside it', () => {
  const ran = sornak(['publish', '-r', RULES, '--as', 'postgres'])
  expect(ran.status).toBe(0)
  expect(ran.err).toContain('check digit')
  expect(ran.out).toContain('-- pass-card')
  expect(sornak(['publish', '-r', RULES, '--as', 'markdown']).out).toContain(
    '| Crew number | `crew-number` |',
  )
  expect(sornak(['publish', '-r', RULES, '--as', 'json-shema']).err).toContain('json-schema')
})
