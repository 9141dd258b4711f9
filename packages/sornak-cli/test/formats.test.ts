// The formats of `inspect`: the same findings in each, and nothing that stands in a file can do harm there.

import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { launched } from '../../sornak/test/dom/browser.js'
import { folder, RULES, shortRoster, sornak } from './run.js'

const crew = shortRoster()
const inspect = (format: string, ...more: string[]) =>
  sornak(['inspect', crew, '-r', RULES, '--format', format, ...more])

describe('the same findings in each', () => {
  const lines = inspect('jsonl')
    .out.trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>)
  const values = lines.filter(({ kind }) => kind === 'value')
  test('json', () => {
    const ran = inspect('json')
    expect(ran.status).toBe(1)
    const whole = JSON.parse(ran.out) as Record<string, unknown[]>
    expect(whole['values']).toEqual(values)
    expect(whole['columns']).toEqual(lines.filter(({ kind }) => kind === 'column'))
    expect(whole['summary']).toEqual(lines.at(-1))
  })
  test('csv', () => {
    const rows = inspect('csv').out.trimEnd().split('\r\n')
    expect(rows[0]).toMatch(/^file,record,line,key,column,identifier,value,verdict,finding,/)
    expect(rows).toHaveLength(values.length + 1)
    for (const row of rows) expect(row).not.toMatch(/(?:^|,)[=+@-]/)
  })
  test('markdown and html tell the totals of each column', () => {
    const summary = lines.at(-1) as {
      columns: { column: string; verdicts: Record<string, number> }[]
    }
    const [markdown, html] = [inspect('markdown').out, inspect('html').out]
    for (const { column, verdicts } of summary.columns) {
      const cells = Object.values(verdicts).map((n) => n.toLocaleString('en'))
      expect(markdown).toContain(`| ${column} |`)
      for (const [verdict, count] of Object.entries(verdicts))
        if (count) expect(html).toContain(`${count.toLocaleString('en')} ${verdict}`)
      expect(cells.every((cell) => markdown.includes(` ${cell} |`))).toBe(true)
    }
    expect(html).not.toMatch(/\d{9}/)
    expect(markdown).not.toMatch(/\d{9}/)
  })
  test('a format that is not there', () => {
    expect(inspect('pdf')).toMatchObject({ status: 2, out: '' })
  })
})

describe('what stands in cells stays text', () => {
  const evil = '<img src=x onerror="document.title=1">|`**x**`'
  const dir = folder({
    'a.csv': `Key,No\n"${evil.replaceAll('"', '""')}",=1+1\n"=cmd|' /C calc'!A0","${evil.replaceAll('"', '""')}"\nx,417.0\n`,
    'sornak.yaml': `sornak: 1\nidentifiers:\n  no:\n    stored: '{5}'\n    sensitivity: open\ncolumns:\n  - in: a.csv\n    key: Key\n    bind: { No: no }\n`,
  })
  const shown = (format: string) =>
    sornak(['inspect', 'a.csv', '--reveal', '--format', format], { cwd: dir }).out
  test('csv', () => {
    expect(shown('csv')).toContain(`"'=1+1"`)
    expect(shown('csv')).toContain(`"'=cmd|' /C calc'!A0"`)
  })
  test('markdown', () => {
    const outsideCode = shown('markdown').replace(/(`+)(?!`)[\s\S]*?[^`]\1(?!`)/g, '')
    expect(outsideCode.replace(/\\[\s\S]/g, '')).not.toMatch(/[<|]img/)
    expect(shown('markdown')).toContain('``')
  })
  test('html, in a browser', async () => {
    const page = shown('html')
    expect(page).not.toContain('<img')
    expect(page).not.toMatch(/<script|https?:\/\//)
    const path = join(mkdtempSync(join(tmpdir(), 'sornak-test-')), 'report.html')
    writeFileSync(path, page)
    const browser = await launched()
    try {
      const tab = await browser.newPage()
      const asked: string[] = []
      tab.on('request', (request) => asked.push(request.url()))
      await tab.goto(`file://${path}`)
      expect(await tab.title()).toBe('Identifiers inspected')
      expect(await tab.locator('code').first().textContent()).toContain('=1+1')
      expect(await tab.locator('svg rect').count()).toBeGreaterThan(0)
      expect(asked).toEqual([`file://${path}`])
      const pdf = await tab.pdf()
      expect(pdf.length).toBeGreaterThan(5000)
    } finally {
      await browser.close()
    }
    expect(readFileSync(path, 'utf8')).toContain('This report shows values in full.')
  })
})
