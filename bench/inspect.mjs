// Inspection of a long file, whole processes, beside what only reads it: how many times as long, and how much
// memory. Ratios of medians of interleaved rounds, from one run.

import { spawnSync } from 'node:child_process'
import {
  closeSync,
  mkdtempSync,
  openSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const ROUNDS = 3
const ROWS = 1_600_000
const dir = mkdtempSync(join(tmpdir(), 'sornak-bench-'))
const file = join(dir, 'crew.csv')
const root = new URL('..', import.meta.url).pathname

let state = 12_345n
const digits = (count) => {
  let text = ''
  while (text.length < count) {
    state = (state * 6364136223846793005n + 1442695040888963407n) % 2n ** 64n
    text += (state >> 33n).toString().padStart(10, '0').slice(-9)
  }
  return text.slice(0, count)
}
const luhn = (body) => {
  let sum = 0
  for (let i = 0; i < body.length; i++) {
    const twice = body.charCodeAt(body.length - 1 - i) - 48
    sum += i % 2 ? twice : twice > 4 ? twice * 2 - 9 : twice * 2
  }
  return `${body}${(10 - (sum % 10)) % 10}`
}

const out = openSync(file, 'w')
writeSync(out, 'Crew No,Mobile,Card,Serial,Name,Fare\n')
let held = ''
for (let row = 0; row < ROWS; row++) {
  const no = digits(5)
  const damaged = row % 100 === 0 ? no.replace(/^0+(?=\d)/, '') + '.0' : no
  held += `${damaged},07700900${digits(3)},${luhn(`400000${digits(9)}`)},${digits(18)},Ann Other,12.50\n`
  if (held.length > 1 << 20) {
    writeSync(out, held)
    held = ''
  }
}
writeSync(out, held)
closeSync(out)
writeFileSync(
  join(dir, 'sornak.yaml'),
  `sornak: 1
identifiers:
  crew-number: { stored: '{5}' }
columns:
  - in: crew.csv
    bind: { Crew No: crew-number, Mobile: phone/gb, Card: card/payment, Serial: serial/long }
`,
)

const READ = `const fs = require('fs'); const fd = fs.openSync(process.argv[1]); const b = Buffer.alloc(1 << 20); while (fs.readSync(fd, b, 0, b.length, null));`
const RSS = `process.on('exit', () => require('fs').writeSync(2, '\\n' + process.resourceUsage().maxRSS))`
const preload = join(dir, 'rss.cjs')
writeFileSync(preload, RSS)
const node = (...args) => [process.execPath, ['--require', preload, ...args]]
const inspect = (jobs) =>
  node(
    join(root, 'packages/sornak-cli/bin/sornak.js'),
    ...['inspect', file, '-r', join(dir, 'sornak.yaml'), '-q', '--jobs', jobs],
  )
const runs = [
  ['lines counted (wc -l)', 'wc', ['-l', file]],
  ['read only (Node)', ...node('-e', READ, file)],
  ['sornak inspect, 4 of 6 columns', ...inspect('1')],
  ['the same with two threads', ...inspect('2')],
]
const times = runs.map(() => [])
const memory = runs.map(() => 0)
for (let round = 0; round < ROUNDS; round++)
  runs.forEach(([, command, args], i) => {
    const began = process.hrtime.bigint()
    const { stderr } = spawnSync(command, args, { encoding: 'utf8' })
    times[i].push(Number(process.hrtime.bigint() - began) / 1e9)
    memory[i] = Math.max(memory[i], Number(/(\d+)\s*$/.exec(stderr)?.[1] ?? 0) / 1024)
  })
const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]
const megabytes = statSync(file).size / 1e6
console.log(
  `${megabytes.toFixed(0)} MB, ${ROWS.toLocaleString('en')} records, 1% of one column damaged; ${ROUNDS} rounds`,
)
runs.forEach(([name], i) => {
  const time = median(times[i])
  const ratio = (time / median(times[1])).toFixed(1)
  const peak = memory[i] ? `, ${memory[i].toFixed(0)} MB at most` : ''
  console.log(
    `  ${name.padEnd(32)} ${(megabytes / time).toFixed(1).padStart(7)} MB/s  ${ratio.padStart(6)}x reading${peak}`,
  )
})
rmSync(dir, { recursive: true })
