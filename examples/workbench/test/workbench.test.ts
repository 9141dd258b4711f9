// The morning of a steward in a real browser: open, survey, bind, see the damage, accept, mend, compare, rehearse,
// and take away files that are right.

import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Download, Page } from 'playwright-core'
import { preview, type PreviewServer } from 'vite'
import { afterAll, afterEach, beforeAll, describe, expect, test } from 'vitest'
import { builtForReaders, cleared, launched } from '../../../packages/sornak/test/dom/browser.js'
import { shortRoster, sornak } from '../../../packages/sornak-cli/test/run.js'

const root = new URL('..', import.meta.url).pathname
const DATA = new URL('../../data', import.meta.url).pathname
const FIXTURES = new URL('../../../packages/sornak-files/test/fixtures', import.meta.url).pathname
const dir = mkdtempSync(join(tmpdir(), 'sornak-test-'))
let server: PreviewServer
let browser: Browser
let address = ''

beforeAll(async () => {
  builtForReaders(root)
  server = await preview({ root, logLevel: 'error', preview: { port: 4632 } })
  address = server.resolvedUrls!.local[0]!
  browser = await launched()
})
afterEach(() => cleared(browser))
afterAll(async () => {
  await browser.close()
  await server.close()
})

const SHORT = readFileSync(shortRoster(), 'utf8')

interface Bench {
  readonly page: Page
  /** Addresses beyond the page's own place, policy violations and errors: there must be none. */
  readonly bad: string[]
  press(name: string | RegExp): Promise<void>
  tab(name: string): Promise<void>
  choose(label: string | RegExp, option: string | RegExp): Promise<void>
}

async function bench(
  query = '',
  colorScheme: 'light' | 'dark' = 'light',
  width = 1280,
  rows: 'all rows' | 'some rows' = 'all rows',
): Promise<Bench> {
  const context = await browser.newContext({
    acceptDownloads: true,
    colorScheme,
    viewport: { width, height: 800 },
  })
  // A part of the roster has all views that the whole has.
  if (rows === 'some rows')
    await context.route(/crew[^/]*\.csv$/, (route) =>
      route.fulfill({ body: SHORT, contentType: 'text/csv' }),
    )
  const page = await context.newPage()
  const bad: string[] = []
  page.on('request', (request) => {
    const url = request.url()
    if (!url.startsWith(address) && !url.startsWith('data:') && !url.startsWith(`blob:${address}`))
      bad.push(url)
  })
  page.on('console', (message) => {
    if (message.type() === 'error') bad.push(message.text())
  })
  page.on('pageerror', (error) => bad.push(error.message))
  await page.goto(address + query)
  return {
    page,
    bad,
    // A view may still be there for a moment after the next one was asked for, so that a part of a name
    // would do for the wrong button.
    press: (name) => page.getByRole('button', { name, exact: true }).first().click(),
    tab: (name) => page.getByRole('tab', { name, exact: true }).click(),
    async choose(label, option) {
      await page.getByRole('button', { name: label }).first().click()
      await page
        .getByRole(
          'option',
          typeof option === 'string' ? { name: option, exact: true } : { name: option },
        )
        .first()
        .click()
    },
  }
}

const inspected = async ({ page, press }: Bench) => {
  await page.getByText('What the columns hold').waitFor()
  await press(/^Inspect/)
  await page.getByText('Where the damage lies').waitFor()
  await page.getByRole('grid').locator('[role=row]').nth(1).waitFor()
}

async function taken(
  page: Page,
  press: () => Promise<void>,
  count = 1,
): Promise<Map<string, string>> {
  const downloads: Download[] = []
  page.on('download', (one) => downloads.push(one))
  await press()
  await expect.poll(() => downloads.length, { timeout: 20_000 }).toBe(count)
  const files = new Map<string, string>()
  for (const one of downloads)
    files.set(one.suggestedFilename(), readFileSync(await one.path(), 'utf8'))
  return files
}

const table = (text: string) =>
  text
    .trim()
    .split(/\r?\n/)
    .map((line) =>
      [...line.matchAll(/(?:^|,)(?:"((?:[^"]|"")*)"|([^,]*))/g)].map(
        ([, quoted, bare]) => quoted?.replaceAll('""', '"') ?? bare ?? '',
      ),
    )
const [header = [], ...crew] = table(readFileSync(join(DATA, 'crew.csv'), 'utf8'))

test('what comes and goes by itself moves no button', async () => {
  const here = await bench('?demo=crew', 'light', 1280, 'some rows')
  const { page, tab, choose } = here
  await inspected(here)
  await tab('Data')
  await choose(/What Tax No holds/, 'no identifier')
  await tab('Act')
  // The columns are inspected again now; the place of a button is taken at each frame until the
  // counts of that are there.
  const places = await page.evaluate(async () => {
    const seen = new Set<number>()
    const frame = () => new Promise((done) => requestAnimationFrame(done))
    const counted = () => document.querySelector('.count')?.textContent?.includes('left as they')
    for (let after = 0; after < 30; after += counted() ? 1 : 0) {
      const button = [...document.querySelectorAll('button')].find(
        (one) => one.textContent === 'Rules file',
      )
      if (button) seen.add(Math.round(button.getBoundingClientRect().y))
      await frame()
    }
    return [...seen]
  })
  expect(places).toHaveLength(1)
  await page.context().close()
})

test('the whole morning on the crew roster', async () => {
  const here = await bench('?demo=crew')
  const { page, press, tab, choose, bad } = here

  // Bind: take the proposal for two columns, write a definition for the third.
  await page.getByText('What the columns hold').waitFor()
  expect(await page.getByRole('row').count()).toBe(header.length + 1)
  await choose(/What Tax No holds/, 'no identifier')
  await choose(/What Tax No holds/, 'tax-no (own)')
  await press('Inspect 3 columns')
  await page.getByText('Where the damage lies').waitFor()

  // What the page counts is what the command counts, under the same rules.
  await tab('Act')
  const rules = await taken(page, () => press('Rules file'))
  writeFileSync(join(dir, 'sornak.yaml'), rules.get('sornak.yaml')!)
  writeFileSync(join(dir, 'crew.csv'), readFileSync(join(DATA, 'crew.csv')))
  const ran = sornak(['inspect', 'crew.csv', '-r', 'sornak.yaml', '--format', 'json', '--reveal'], {
    cwd: dir,
  })
  const said = JSON.parse(ran.out) as {
    values: { record: number; column: string; verdict: string; finding: string }[]
    summary: { columns: { column: string; verdicts: Record<string, number> }[] }
  }
  await tab('Damage')
  for (const { column, verdicts } of said.summary.columns) {
    const words = Object.entries(verdicts)
      .filter(([, count]) => count > 0)
      .map(([verdict, count]) => `${count.toLocaleString('en')} ${verdict}`)
    const row = page.locator('.column').filter({ hasText: column })
    const label = (await row.locator('svg.bar').getAttribute('aria-label'))!
    expect(label.split(', ').sort()).toEqual(words.sort())
  }
  const count = () => page.getByRole('heading', { name: /^Findings/ }).textContent()
  await expect.poll(count).toBe(`Findings ${said.values.length}`)

  // See the run: a column, a finding, next and previous by keyboard.
  await page.getByRole('button', { name: 'Mobile', exact: true }).click()
  await choose(/^Verdict:/, 'mendable')
  const mendable = said.values.filter(
    (one) => one.column === 'Mobile' && one.verdict === 'mendable',
  )
  await expect.poll(count).toBe(`Findings ${mendable.length}`)
  await page.getByRole('grid').focus()
  for (const key of ['ArrowDown', 'ArrowDown', 'ArrowUp']) await page.keyboard.press(key)
  const heading = page.locator('.detail h3')
  await expect
    .poll(() => heading.textContent())
    .toBe(`Mobile, row ${mendable[1]!.record.toLocaleString('en')}`)
  await page.keyboard.press('End')
  await expect
    .poll(() => heading.textContent())
    .toBe(`Mobile, row ${mendable.at(-1)!.record.toLocaleString('en')}`)

  // Hidden until revealed, by column and seen to be so.
  const value = page.locator('.detail .value')
  expect(await value.textContent()).not.toMatch(/\d/)
  await page.getByRole('button', { name: 'Mobile: values are hidden' }).click()
  await expect.poll(() => value.textContent()).toMatch(/\d/)
  await page.getByRole('button', { name: 'Mobile: values are shown' }).click()
  await expect.poll(() => value.textContent()).not.toMatch(/\d/)

  // Accept one finding with a reason; it is no longer listed; undo and redo.
  const before = said.values.length
  const { finding } = mendable.at(-1)!
  const gone = said.values.filter(
    (one) => one.column === 'Mobile' && one.finding === finding,
  ).length
  await press(/^Accept “/)
  await page.getByLabel('Because').fill('the handset office writes them so')
  await page.getByRole('button', { name: 'Accept', exact: true }).click()
  await choose(/^Verdict:/, 'all verdicts')
  await choose(/^Column:/, 'all columns')
  await expect.poll(count).toBe(`Findings ${before - gone}`)
  await press(/^Undo/)
  await expect.poll(count).toBe(`Findings ${before}`)
  await press(/^Redo/)
  await expect.poll(count).toBe(`Findings ${before - gone}`)
  await press(/^Undo/)
  await expect.poll(count).toBe(`Findings ${before}`)

  // Mend: every change in the copy is the original that the truth knows, and nothing else changed.
  await tab('Act')
  await page.getByText('Every mend that is proven').click()
  const all = said.values.filter(({ verdict }) => verdict === 'mendable').length
  await expect.poll(() => page.locator('.count strong').textContent()).toBe(`${all}`)
  const files = await taken(page, () => press('Mended copy and change record'), 3)
  const [, ...mended] = table(files.get('crew-mended.csv')!)
  const truth = new Map(
    table(readFileSync(join(DATA, 'crew.truth.csv'), 'utf8'))
      .slice(1)
      .map(([record, column, original]) => [`${record} ${column}`, original]),
  )
  let changed = 0
  mended.forEach((row, i) =>
    row.forEach((text, column) => {
      if (text === crew[i]![column]) return
      changed++
      expect(text).toBe(truth.get(`${i + 1} ${header[column]}`))
    }),
  )
  expect(changed).toBe(all)
  const [head, ...changes] = files.get('crew-mended.csv.changes.jsonl')!.trim().split('\n')
  expect(changes.length).toBe(all)
  expect(JSON.parse(head!)).toMatchObject({ kind: 'changes', count: all })
  // The command can replay what the page recorded, to the byte.
  for (const [name, text] of files) writeFileSync(join(dir, name), text)
  const replayed = sornak(
    ['mend', 'crew.csv', '--replay', 'crew-mended.csv.changes.jsonl', '-o', 'again.csv'],
    { cwd: dir },
  )
  expect(replayed).toMatchObject({ status: 0 })
  expect(readFileSync(join(dir, 'again.csv'), 'utf8')).toBe(files.get('crew-mended.csv'))

  // Compare with a payroll that lost its zeros and one member.
  const payroll = crew.slice(1).map(([no]) => `${no!.replace(/^0+(?=\d)/, '')},x`)
  writeFileSync(join(dir, 'payroll.csv'), `Number,Name\n${payroll.join('\n')}\n`)
  const chooser = page.waitForEvent('filechooser')
  await press('Open the second list')
  await (await chooser).setFiles(join(dir, 'payroll.csv'))
  await page.getByRole('button', { name: 'Compare', exact: true }).click()
  const compared = sornak(
    [
      'compare',
      'crew.csv',
      'payroll.csv',
      '--as',
      'staff/number',
      '--left',
      'Crew No',
      '--right',
      'Number',
      '--format',
      'jsonl',
    ],
    { cwd: dir },
  )
  const matches = compared.out
    .trim()
    .split('\n')
    .map((line) => (JSON.parse(line) as { match: string }).match)
  const of = (match: string) => matches.filter((one) => one === match).length.toLocaleString('en')
  const list = page.locator('.matches')
  await expect.poll(() => list.textContent()).toContain(`${of('same-mended')} the same once mended`)
  expect(await list.textContent()).toContain(`${of('same')} the same on both sides`)
  expect(await list.textContent()).toContain(`${of('only-left')} only in this file`)

  // Rehearse: what the command says would be damaged.
  await page.getByRole('button', { name: 'Rehearse', exact: true }).click()
  const rehearsed = sornak(
    ['rehearse', 'crew.csv', '-r', 'sornak.yaml', '--through', 'real-column', '--format', 'jsonl'],
    { cwd: dir },
  )
  const tax = rehearsed.out
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { column: string; lost: number })
    .find(({ column }) => column === 'Tax No')!
  const cells = page.getByRole('row', { name: /real-column/ }).getByRole('cell')
  await expect
    .poll(() => cells.nth(2).textContent())
    .toContain(`${tax.lost.toLocaleString('en')} lost for good`)

  // The report stands by itself and shows no value that the page hides.
  const report = await taken(page, () => press('Report'))
  const html = report.get('crew.csv.report.html')!
  expect(html).toContain('Values are hidden')
  for (const [no, , , mobile, taxNo] of crew.slice(0, 200))
    for (const text of [no, mobile, taxNo])
      if (text && text.length > 4) expect(html).not.toContain(text)
  expect(bad).toEqual([])
})

test('a candidate is chosen, goes into the copy, and can be taken back', async () => {
  const here = await bench()
  const { page, press, tab, choose, bad } = here
  writeFileSync(
    join(dir, 'serials.csv'),
    `Serial\n${['430022223301', '4.300222233E+11'].join('\n')}\n`,
  )
  const chooser = page.waitForEvent('filechooser')
  await press('Open a file')
  await (await chooser).setFiles(join(dir, 'serials.csv'))
  await page.getByText('What the columns hold').waitFor()
  await tab('Definitions')
  await press('Write a new one')
  await page.getByLabel(/^Shown/).fill('')
  await page.getByLabel(/^Stored/).fill('{12}')
  await tab('Data')
  await choose(/What Serial holds/, 'crew-number (own)')
  await inspected(here)
  await page.getByRole('button', { name: 'Serial: values are hidden' }).click()
  await choose(/^Verdict:/, 'ambiguous')
  const candidate = page.locator('.candidates button').nth(1)
  const text = (await candidate.locator('code').textContent())!
  await candidate.click()
  await tab('Act')
  await expect.poll(() => page.locator('.count').textContent()).toContain('1 chosen')
  const files = await taken(page, () => press('Mended copy and change record'), 3)
  expect(files.get('serials-mended.csv')).toBe(`Serial\n430022223301\n${text}\n`)
  await press(/^Undo/)
  await expect.poll(() => page.locator('.count strong').textContent()).toBe('0')
  expect(bad).toEqual([])
})

test('a long file: a first look at once, progress, and work that can be stopped', async () => {
  const { page, press, bad } = await bench()
  const rows = Array.from({ length: 250_000 }, (_, i) => {
    const no = `${(i * 7919) % 100_000}`.padStart(5, '0')
    return `${i % 50 ? no : `${no}.0`},07700900${`${i % 1000}`.padStart(3, '0')},Ann Other`
  })
  writeFileSync(join(dir, 'long.csv'), `Crew No,Mobile,Name\n${rows.join('\n')}\n`)
  const open = async () => {
    const chooser = page.waitForEvent('filechooser')
    await press(/^Open a/)
    await (await chooser).setFiles(join(dir, 'long.csv'))
    await page.getByText('The file is long').waitFor()
  }
  await open()
  await press(/^Inspect/)
  await expect
    .poll(() => page.getByRole('status').first().textContent(), { timeout: 20_000 })
    .toMatch(/Inspecting \d+%/)
  await press('Stop')
  await expect.poll(() => page.getByRole('alert').textContent()).toContain('Stopped')
  await open()
  await press(/^Inspect/)
  await page.getByRole('tab', { name: 'Damage' }).click()
  await page.getByText('A first look at').waitFor()
  await page.getByText('A first look at').waitFor({ state: 'detached', timeout: 60_000 })
  // Every fiftieth has a tail.
  const label = await page.locator('.column').first().locator('svg.bar').getAttribute('aria-label')
  expect(label).toContain('245,000 intact')
  await page.getByRole('grid').focus()
  await page.keyboard.press('End')
  await expect.poll(() => page.locator('.detail h3').textContent()).toBe('Crew No, row 249,951')
  expect(bad).toEqual([])
})

describe('files of other formats', () => {
  test.each([
    ['openpyxl.xlsx', 'Cards', /stored as 2 numbers/],
    ['odfpy.ods', undefined, /stored as 1 number/],
    ['duckdb.parquet', undefined, /DOUBLE/],
    ['sqlite.json', undefined, /stored as 2 numbers/],
  ] as const)('%s', async (file, sheet, says) => {
    const here = await bench()
    const { page, press, choose, bad } = here
    const chooser = page.waitForEvent('filechooser')
    await press('Open a file')
    await (await chooser).setFiles(join(FIXTURES, file))
    await page.getByText('What the columns hold').waitFor()
    if (sheet) await choose(/^Sheet:/, sheet)
    await choose(/What Card holds/, /^card\/payment( |$)/)
    await page.getByText('What the columns hold').waitFor()
    await press(/^Inspect/)
    await expect.poll(() => page.locator('.evidence').first().textContent()).toMatch(says)
    expect(bad).toEqual([])
  })

  test('one that cannot be read is told, and another can be opened', async () => {
    const { page, press, bad } = await bench('', 'light', 1280, 'some rows')
    writeFileSync(join(dir, 'broken.xlsx'), 'PK\u0003\u0004 and no more')
    const chooser = page.waitForEvent('filechooser')
    await press('Open a file')
    await (await chooser).setFiles(join(dir, 'broken.xlsx'))
    await expect
      .poll(() => page.getByRole('alert').textContent())
      .toContain('broken.xlsx is damaged')
    await press(/^Crew roster/)
    await page.getByText('What the columns hold').waitFor()
    expect(bad).toEqual([])
  })
})

describe('a rules file', () => {
  const open = async ({ page }: Bench, name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: 'Open a rules file' }).click()
    await (
      await chooser
    ).setFiles({ name, mimeType: 'text/yaml', buffer: Buffer.from(text, 'utf8') })
  }
  const told = (rules: string) => {
    writeFileSync(join(dir, 'held.yaml'), rules)
    writeFileSync(join(dir, 'master.csv'), 'Crew No\n00417\n')
    writeFileSync(join(dir, 'crew.csv'), SHORT)
    const ran = sornak(['inspect', 'crew.csv', '-r', 'held.yaml', '--format', 'json'], { cwd: dir })
    expect(ran.err).toBe('')
    return ran.out
  }
  const RULES = `sornak: 1
title: Harrow Sound Ferries
identifiers:
  crew-number: { stored: '{5}', display: 'HS-{5}' }
  number: { like: crew-number, sensitivity: open }
  handset: { like: phone/gb }
columns:
  - in: 'passes*.csv'
    bind: { Card: card/payment }
  - in: 'crew*.csv'
    key: Name
    aliases: { Handset: [Mobile] }
    bind:
      Crew No: number
      Handset: { by: Berth, '': handset, A1: handset }
trusted:
  crew-number: { from: master.csv, column: Crew No }
hand-overs:
  monday: { title: The Monday hand-over, through: [fifteen-digits] }
accepted:
  - { in: 'passes*.csv', column: Card, finding: check-digit, because: testing cards }
  - { in: 'crew*.csv', column: Crew No, finding: zeros-lost, at-most: 100000, because: known since May, until: 2099-12-31 }
`.replace(
    /by: Berth, '': handset, A1: handset/,
    `by: ${header.at(-1)!}, ${[...new Set(crew.map((row) => row.at(-1)!))]
      .slice(0, 3)
      .map((value) => `'${value}': handset`)
      .join(', ')}`,
  )

  test('is followed, changed, and written with all that it said', async () => {
    const here = await bench('?demo=crew', 'light', 1280, 'some rows')
    const { page, tab, press, choose, bad } = here
    await page.getByText('What the columns hold').waitFor()
    await open(here, 'rules.yaml', RULES)
    await page.getByText('As the rules file says').waitFor()
    expect(await page.getByText('trusted lists').count()).toBe(1)
    await page.getByRole('button', { name: 'What Crew No holds: number (own)' }).waitFor()
    await press('Inspect 2 columns')
    await page.getByText('Where the damage lies').waitFor()
    await tab('Act')
    await page.getByText('known since May; at most 100000; until 2099-12-31').waitFor()
    await press('Rehearse')
    await page.getByText('The Monday hand-over').waitFor()
    const rules = (await taken(page, () => press('Rules file'))).get('sornak.yaml')!
    // The command says the same under what was opened and under what was written.
    expect(told(rules)).toBe(told(RULES))
    expect(rules).toContain('The Monday hand-over')
    expect(rules).toContain('testing cards')
    expect(rules).toContain("from: 'master.csv'")
    // What is changed on the page replaces what the file said, and nothing else.
    await tab('Data')
    await choose('What Crew No holds: number (own)', 'crew-number (own)')
    await tab('Act')
    const changed = (await taken(page, () => press('Rules file'))).get('sornak.yaml')!
    expect(changed).toBe(rules.replace("Crew No: 'number'", "Crew No: 'crew-number'"))
    expect(bad).toEqual([])
    await page.context().close()
  })

  test('may come first; what is wrong with one is told with its place', async () => {
    const here = await bench('', 'light', 1280, 'some rows')
    const { page, press } = here
    await open(here, 'rules.yaml', RULES.replace("stored: '{5}'", "stored: '{5'"))
    const alert = page.getByRole('alert')
    expect(await alert.textContent()).toMatch(/^rules\.yaml, line 4, column 2\d: /)
    await open(here, 'rules.yaml', RULES)
    await page.getByText('The rules are read').waitFor()
    await press(/^Crew roster/)
    await page.getByText('As the rules file says').waitFor()
    await page.context().close()
  })
})

test('an acceptance holds as often and as long as it says', async () => {
  const here = await bench('?demo=crew')
  const { page, press } = here
  await inspected(here)
  await expect.poll(() => page.getByRole('status').count()).toBe(0)
  const count = async () =>
    (await page.getByRole('heading', { name: /^Findings/ }).textContent())!.replace(/\D/g, '')
  await expect.poll(count).not.toBe('')
  const all = await count()
  const accept = async (atMost: string, until: string) => {
    await press(/^Accept “/)
    await page.getByLabel('Because').fill('known')
    await page.getByLabel(/^At most/).fill(atMost)
    await page.getByLabel(/^Until/).fill(until)
    await page.getByRole('button', { name: 'Accept', exact: true }).click()
  }
  // Fewer than there are, or a day that has passed: all of them stay.
  for (const [atMost, until] of [
    ['1', ''],
    ['', '2020-01-31'],
  ] as const) {
    await accept(atMost, until)
    await page.getByRole('button', { name: /^Undo: “/ }).waitFor()
    await expect.poll(() => page.getByRole('status').count()).toBe(0)
    expect(await count()).toBe(all)
    await press(/^Undo/)
  }
  await accept('100000', '2099-12-31')
  await expect.poll(count).not.toBe(all)
  await page.context().close()
})

test('a definition: slots are marked, an error stands in its place, values and keys are tried', async () => {
  const { page, press, tab, bad } = await bench()
  await tab('Definitions')
  await press('Write a new one')
  const stored = page.getByLabel(/^Stored/)
  await stored.fill('{area: 3}-{4}')
  expect(await page.locator('.marked').first().locator('mark').allTextContents()).toEqual([
    '{area: 3}',
    '{4}',
  ])
  await stored.fill('{area: 3')
  await expect.poll(() => page.locator('.problem').first().textContent()).toMatch(/never closed/)
  await stored.fill('{5}')
  await page.getByLabel(/^Try values/).fill('00417\n417\nHS-00417\n1234567')
  const verdicts = page.locator('.samples tbody td:nth-child(3)')
  await expect
    .poll(async () => (await verdicts.allTextContents()).map((text) => /^[a-z]+/.exec(text)![0]))
    .toEqual(['intact', 'mendable', 'mendable', 'misfit'])
  await page.getByLabel('Type it').focus()
  await page.keyboard.type('00x417')
  expect(await page.getByLabel('Type it').inputValue()).toBe('HS-00417')
  expect(await page.locator('.try').textContent()).toContain('complete')
  expect(bad).toEqual([])
})

describe.each(['light', 'dark'] as const)('in %s colours', (scheme) => {
  const axe = createRequire(import.meta.url).resolve('axe-core')
  test('no view has an accessibility problem', async () => {
    const here = await bench('?demo=crew', scheme, 1280, 'some rows')
    const { page, press, tab } = here
    const problems = async (view: string) => {
      await page.addScriptTag({ content: readFileSync(axe, 'utf8') }).catch(() => {})
      const found = await page.evaluate(
        async (source) => {
          // The page's policy lets no script in; what a debugger evaluates is not the page's.
          if (!('axe' in window)) (0, eval)(source)
          const { violations } = await (
            window as never as {
              axe: { run(): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> }
            }
          ).axe.run()
          return violations.map(
            ({ id, nodes }) =>
              `${id}: ${nodes
                .map(({ html }) => html.slice(0, 160))
                .slice(0, 3)
                .join(' | ')}`,
          )
        },
        readFileSync(axe, 'utf8'),
      )
      expect({ view, found }).toEqual({ view, found: [] })
    }
    await page.getByText('What the columns hold').waitFor()
    await problems('Data')
    await inspected(here)
    await problems('Damage')
    await tab('Act')
    await press('Rehearse')
    await page.getByText('real-column').waitFor()
    await problems('Act')
    await tab('Definitions')
    await press(/phone.gb/)
    await problems('Definitions')
  })
})

test('on a phone nothing is wider than the screen', async () => {
  const here = await bench('?demo=crew', 'light', 400, 'some rows')
  const { page, tab } = here
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  await page.getByText('What the columns hold').waitFor()
  expect(await wide()).toBeLessThanOrEqual(0)
  await inspected(here)
  expect(await wide()).toBeLessThanOrEqual(0)
  for (const view of ['Act', 'Definitions']) {
    await tab(view)
    expect(await wide()).toBeLessThanOrEqual(0)
  }
})
