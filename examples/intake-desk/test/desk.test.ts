// The intake desk in a real browser: from an empty form to a file that keeps every zero.

import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { devices, type Browser, type BrowserContextOptions, type Page } from 'playwright-core'
import { preview, type PreviewServer } from 'vite'
import { afterAll, afterEach, beforeAll, describe, expect, test } from 'vitest'
import { builtForReaders, cleared, launched } from '../../../packages/sornak/test/dom/browser.js'

const root = new URL('..', import.meta.url).pathname
let server: PreviewServer
let browser: Browser
let address = ''

beforeAll(async () => {
  builtForReaders(root)
  server = await preview({ root, logLevel: 'error', preview: { port: 4631 } })
  address = server.resolvedUrls!.local[0]!
  browser = await launched()
})
afterEach(() => cleared(browser))
afterAll(async () => {
  await browser.close()
  await server.close()
})

async function desk(options: BrowserContextOptions = {}): Promise<Page> {
  const context = await browser.newContext({ ...options, acceptDownloads: true })
  const page = await context.newPage()
  page.on('pageerror', (error) => {
    throw error
  })
  await page.goto(address)
  return page
}

const FILLED = {
  name: '=Ines "Vantongeren"',
  crew: '00417',
  mobile: '+12065550142',
  social: '900123456',
  start: '20270301',
  card: '4111111111111111',
  expiry: '4/99',
  code: '123',
  fare: '1284.5',
}

async function fill(page: Page, values: Partial<typeof FILLED>): Promise<void> {
  for (const [name, text] of Object.entries(values)) {
    await page.focus(`#${name}`)
    await page.keyboard.type(text)
  }
}
const stored = (page: Page, name: string) =>
  page.locator(`[data-field=${name}] output`).textContent()
const reason = (page: Page, name: string) => page.locator(`#${name}-reason`).textContent()

test('what is typed is shown with separators, and stored without them', async () => {
  const page = await desk()
  await fill(page, FILLED)
  await page.focus('button.main')
  const shown = await page
    .locator('form input')
    .evaluateAll((inputs) => inputs.map((input) => (input as HTMLInputElement).value))
  expect(shown.slice(1)).toEqual([
    'HS-00417',
    '+1 206 555 0142',
    '•••-••-3456',
    '2027-03-01',
    '•••• •••• •••• 1111',
    '04/99',
    '•••',
    '$1,284.50',
  ])
  expect(await stored(page, 'crew')).toBe('00417')
  expect(await stored(page, 'mobile')).toBe('2065550142')
  expect(await stored(page, 'social')).toBe('•••••3456')
  expect(await stored(page, 'fare')).toBe('1284.50')
})

test('saved, kept over a reload, and exported as text', async () => {
  const page = await desk()
  const outside: string[] = []
  page.on('request', (request) => {
    if (!request.url().startsWith(address) && !/^(?:blob|data):/.test(request.url()))
      outside.push(request.url())
  })
  await fill(page, FILLED)
  await page.keyboard.press('Enter')
  await expect.poll(() => page.textContent('#outcome')).toContain('is saved')
  expect(await page.inputValue('#crew')).toBe('')
  await page.reload()
  const row = await page.locator('tbody tr').textContent()
  expect(row).toContain('00417')
  expect(row).toContain('•••••3456')
  expect(row).not.toContain('900123456')
  const kept = await page.evaluate(() => JSON.stringify({ ...localStorage }))
  expect(kept).not.toContain('123"')

  const files: Record<string, string> = {}
  const both = new Promise<void>((done) =>
    page.on('download', async (download) => {
      files[download.suggestedFilename()] = readFileSync((await download.path())!, 'utf8')
      if (Object.keys(files).length === 2) done()
    }),
  )
  await page.click('#export')
  await both
  const [table, about] = Object.keys(files).sort()
  expect(files[table!]!.split('\r\n')).toEqual([
    '"Full name","Crew number","Mobile","Social security number","First day","Payment card","Expires","Fare paid"',
    `"'=Ines ""Vantongeren""","00417","2065550142","900123456","2027-03-01","4111111111111111","2099-04","1284.50"`,
    '',
  ])
  const described = JSON.parse(files[about!]!) as {
    url: string
    tableSchema: { columns: { datatype: string }[] }
  }
  expect(described.url).toBe(table)
  expect(new Set(described.tableSchema.columns.map(({ datatype }) => datatype))).toEqual(
    new Set(['string']),
  )
  page.on('dialog', (dialog) => dialog.accept())
  await page.click('#forget')
  expect(await page.textContent('#list')).toContain('Nothing yet')
  expect(outside).toEqual([])
})

test('an entry that is not whole is not saved, and the field says why', async () => {
  const page = await desk()
  await fill(page, { ...FILLED, card: '4111111111111112', expiry: '4/25' })
  await page.focus('#fare')
  expect(await reason(page, 'card')).toMatch(/check digit/)
  expect(await reason(page, 'expiry')).toMatch(/run out/)
  await page.click('button.main')
  expect(await page.textContent('#list')).toContain('Nothing yet')
  expect(await page.evaluate(() => document.activeElement?.id)).toBe('card')
  await page.click('button[type=reset]')
  await expect.poll(() => page.inputValue('#card')).toBe('')
  expect(await reason(page, 'card')).toBe('')
})

describe('for everyone', () => {
  const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
  test.each<[string, BrowserContextOptions]>([
    ['light', {}],
    ['dark', { colorScheme: 'dark' }],
    ['on a phone', devices['Pixel 7']!],
  ])('nothing that axe finds: %s', async (_, options) => {
    const page = await desk({ ...options, bypassCSP: true })
    await page.evaluate(axe)
    for (const values of [{}, { mobile: '206x' }, FILLED]) {
      await fill(page, values)
      const found = await page.evaluate(async () => {
        const { axe } = window as unknown as {
          axe: { run(): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> }
        }
        const { violations } = await axe.run()
        return violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html}`)
      })
      expect(found).toEqual([])
    }
  })
  test('by keyboard alone, field after field', async () => {
    const page = await desk()
    await page.focus('#name')
    for (const text of Object.values(FILLED)) {
      await page.keyboard.type(text)
      await page.keyboard.press('Tab')
    }
    await page.keyboard.press('Enter')
    await expect.poll(() => page.textContent('#outcome')).toContain('is saved')
  })
  test('nothing is wider than a phone', async () => {
    const page = await desk(devices['Pixel 7']!)
    await fill(page, FILLED)
    const { scroll, client } = await page.evaluate(() => ({
      scroll: document.documentElement.scrollWidth,
      client: document.documentElement.clientWidth,
    }))
    expect(scroll).toBeLessThanOrEqual(client)
  })
})
