// Files that are made to do harm, given to the command: a sentence, soon, and in little memory.

import { spawnSync } from 'node:child_process'
import { closeSync, openSync, writeFileSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { TextReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js'
import { beforeAll, expect, test } from 'vitest'
import { COMMAND, folder } from './run.js'

/** In MB; the process itself takes a third of it. */
const MEMORY = 200
const SECONDS = 15
const dir = folder({
  // What Linux says of the use of resources counts what the parent held when it started the process.
  'rss.cjs': `const fs = require('fs')
    const peak = () => /VmHWM:\\s*(\\d+)/.exec(fs.readFileSync('/proc/self/status', 'utf8'))[1]
    const most = fs.existsSync('/proc/self/status') ? peak : () => process.resourceUsage().maxRSS
    process.on('exit', () => fs.writeSync(2, '\\n' + most()))`,
})

const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'

async function workbook(sheet: ReadableStream<Uint8Array>): Promise<Uint8Array> {
  const zip = new ZipWriter(new Uint8ArrayWriter(), { useWebWorkers: false })
  const add = (name: string, text: string) => zip.add(name, new TextReader(text))
  await add(
    '_rels/.rels',
    `<r><Relationship Id="a" Type="${OFFICE}/officeDocument" Target="xl/workbook.xml"/></r>`,
  )
  await add('xl/workbook.xml', '<w xmlns:r="r"><sheets><sheet name="A" r:id="b"/></sheets></w>')
  await add(
    'xl/_rels/workbook.xml.rels',
    `<r><Relationship Id="b" Type="${OFFICE}/worksheet" Target="worksheets/sheet1.xml"/></r>`,
  )
  await zip.add('xl/worksheets/sheet1.xml', sheet)
  return zip.close()
}

const OPEN = '<worksheet><sheetData><row r="1"><c r="A1" t="inlineStr"><is><t>'

function repeated(start: string, piece: string, times: number): ReadableStream<Uint8Array> {
  let left = times
  const chunk = new TextEncoder().encode(piece)
  return new ReadableStream({
    start: (controller) => controller.enqueue(new TextEncoder().encode(start)),
    pull: (controller) => (left-- > 0 ? controller.enqueue(chunk) : controller.close()),
  })
}

function long(name: string, piece: string, times: number): void {
  const fd = openSync(join(dir, name), 'w')
  for (let i = 0; i < times; i++) writeSync(fd, piece)
  closeSync(fd)
}

beforeAll(async () => {
  const megabyte = 'x'.repeat(1024 * 1024)
  long('line.csv', megabyte, 1024)
  long('value.json', `[{"a":"${megabyte}`, 1)
  long('columns.csv', 'column,'.repeat(1000), 1000)
  writeFileSync(join(dir, 'bomb.xlsx'), await workbook(repeated(OPEN, megabyte, 1024)))
  writeFileSync(join(dir, 'bomb.csv.gz'), gzipSync(Buffer.alloc(1024 * 1024 * 1024 - 1)))
  const fd = openSync(join(dir, 'value.json'), 'a')
  for (let i = 0; i < 64; i++) writeSync(fd, megabyte)
  closeSync(fd)
}, 180_000)

test.each([
  ['line.csv', /longer than 16 MiB/],
  ['columns.csv', /more than 20000/],
  ['value.json', /longer than 16 MiB/],
  ['bomb.xlsx', /longer than 4 MiB/],
  ['bomb.csv.gz', /200 times its size/],
])('%s', (name, says) => {
  const began = Date.now()
  const { status, stdout, stderr } = spawnSync(process.execPath, [COMMAND, 'survey', name], {
    cwd: dir,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: `--require ${join(dir, 'rss.cjs')}` },
  })
  const [, said = '', kilobytes = ''] = /^([^]*)\n(\d+)$/.exec(stderr) ?? []
  expect({ status, stdout }).toEqual({ status: 3, stdout: '' })
  expect(said).toMatch(says)
  expect(Number.parseInt(kilobytes, 10) / 1024).toBeLessThan(MEMORY)
  expect(Date.now() - began).toBeLessThan(SECONDS * 1000)
})
