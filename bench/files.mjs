// Verdicts of the command on whole files: five columns of made-up identifiers (populations/kinds.mjs), of which all values
// of some records went through one conversion (populations/conversions.mjs). What comes back is held against what was there
// before; what one column shows tells of the others.
//
//   node bench/files.mjs                100 files; --files=N, --seed=N for others
//   node bench/files.mjs --programs     conversions that really run (populations/programs.mjs)
//   node bench/files.mjs --sorted       records in the order of their first column; --slips=50: of so many clean values one mistyped
//   node bench/files.mjs --wrong        each wrong mend; --unmended, --accused, --undoubted, --unlisted likewise

import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { fit, fromCatalog, identifier } from '../packages/sornak/dist/index.js'
import { randomFrom } from './columns.mjs'
import { CONVERSIONS } from './populations/conversions.mjs'
import { KINDS } from './populations/kinds.mjs'
import { PROGRAMS } from './populations/programs.mjs'
import { mistyped } from './slips.mjs'
import { asked, numberIn, share } from './words.mjs'

const COMMAND = fileURLToPath(new URL('../packages/sornak-cli/dist/sornak.js', import.meta.url))
const files = numberIn('files', 100)
const seed = numberIn('seed', 1)
const COLUMNS = 5
const SORTED = asked.has('--sorted')
const SLIPS = numberIn('slips', 0)
/** By name: what is left of some values, and whether all digits of one are still there. */
const WAYS = asked.has('--programs')
  ? mapped(PROGRAMS, (convert) => ({ convert, keeps: isAllThere }))
  : mapped(CONVERSIONS, ({ convert, keeps = false }) => ({
      convert: (values) => values.map((text) => convert(text) || text),
      keeps: () => keeps,
    }))

function mapped(all, make) {
  return Object.fromEntries(Object.entries(all).map(([name, one]) => [name, make(one)]))
}

function isAllThere(original, seen) {
  const bare = (text) =>
    text
      .replace(/[.,]0+$/, '')
      .replace(/\D/g, '')
      .replace(/^0+(?=\d)/, '')
  return !/[eE]/.test(seen) && bare(original) === bare(seen)
}

/** Of how many records which are struck. */
const SCENES = {
  'all records': [240, () => true],
  'a short list': [12, () => true],
  half: [400, (record) => record < 200],
  'a block': [400, (record) => record >= 150 && record < 250],
  'twenty records': [400, (record) => record >= 150 && record < 170],
  'one in four': [400, (_, random) => random.below(4) === 0],
  'one in fifty': [400, (_, random) => random.below(50) === 0],
}

const KEYS = [
  'changed',
  'unfit',
  'flagged',
  'stillFit',
  'doubted',
  'unchanged',
  'accused',
  'known',
  'recovered',
  'mends',
  'wrong',
  'lists',
  'inList',
]
const table = new Map()
const at = (key) => {
  if (!table.has(key)) table.set(key, Object.fromEntries(KEYS.map((name) => [name, 0])))
  return table.get(key)
}

/** Made-up records, and what is left of them. */
function drawn(random) {
  const oneOf = (all) => all[random.below(all.length)]
  const kinds = new Set()
  while (kinds.size < COLUMNS) kinds.add(oneOf(Object.keys(KINDS)))
  const conversion = oneOf(Object.keys(WAYS))
  const scene = oneOf(Object.keys(SCENES))
  const [length, struck] = SCENES[scene]
  const { convert, keeps } = WAYS[conversion]
  const hits = Array.from({ length }, (_, record) => struck(record, random))
  const columns = [...kinds].map((kind, column) => {
    const [source, makes] = KINDS[kind]
    const originals = hits.map(makes(random))
    if (SORTED && column === 0) originals.sort()
    const left = convert(originals.filter((_, record) => hits[record]))
    const values = originals.map((original, record) => {
      const hit = hits[record]
      const typed = !hit && SLIPS > 0 && random.below(SLIPS) === 0
      if (typed) return { original, seen: mistyped(original, random.below), typed }
      return { original, seen: hit ? left.shift() : original, hit }
    })
    return { kind, source, values }
  })
  return { scene, conversion, keeps, columns, length }
}

const quoted = (text) => `"${text.replaceAll('"', '""')}"`

/** What the command says of each value, by column and record. */
function told({ columns, length }) {
  const folder = mkdtempSync(join(tmpdir(), 'files-'))
  const [list, rules] = ['list.csv', 'sornak.yaml'].map((name) => join(folder, name))
  const records = Array.from({ length }, (_, i) =>
    columns.map(({ values }) => quoted(values[i].seen)).join(','),
  )
  writeFileSync(list, `${columns.map((_, i) => `C${i}`).join(',')}\n${records.join('\n')}\n`)
  const identifiers = columns.map(({ source }, i) => [`c${i}`, { ...source, sensitivity: 'open' }])
  const bind = Object.fromEntries(columns.map((_, i) => [`C${i}`, `c${i}`]))
  const content = {
    sornak: 1,
    identifiers: Object.fromEntries(identifiers),
    columns: [{ in: 'list.csv', bind }],
  }
  // What is JSON is YAML.
  writeFileSync(rules, JSON.stringify(content))
  const words = ['inspect', list, '-r', rules, '--format', 'jsonl', '--candidates', '1000']
  const options = { encoding: 'utf8', maxBuffer: 1 << 30 }
  let out
  try {
    out = execFileSync(process.execPath, [COMMAND, ...words], options)
  } catch (error) {
    // There is something to report.
    if (error.status !== 1) throw error
    out = error.stdout
  } finally {
    rmSync(folder, { recursive: true })
  }
  const found = new Map()
  for (const line of out.split('\n').filter(Boolean)) {
    const one = JSON.parse(line)
    if (one.kind === 'value') found.set(`${one.column} ${one.record}`, one)
  }
  return found
}

for (let file = 0; file < files; file++) {
  const made = drawn(randomFrom(seed * 1_000_003 + file * 104_729))
  const found = told(made)
  const { scene, conversion, keeps, columns } = made
  columns.forEach(({ kind, source: { like, ...source }, values }, column) => {
    const definition = like ? fromCatalog(like) : identifier(source, 'made-up')
    values.forEach(({ original, seen, hit, typed }, i) => {
      const line = found.get(`C${column} ${i + 1}`)
      const totals = [at('in all'), at(scene)]
      const add = (key) => totals.forEach((total) => total[key]++)
      const say = (word) =>
        asked.has(`--${word}`) &&
        console.log([file, kind, conversion, scene, original, seen, line?.why].join(' | '))
      if (original === seen) {
        if (hit) return
        add('unchanged')
        if (line) add('accused')
        if (line) say('accused')
        return
      }
      const mend = line?.mend ?? undefined
      const isWrong = mend !== undefined && mend !== original
      if (isWrong) {
        add('wrong')
        say('wrong')
      }
      // What was meant by a slip is no conversion's to tell.
      if (typed) return
      add('changed')
      if (fit(definition, seen).ok) {
        add('stillFit')
        if (line?.verdict === 'suspect') add('doubted')
        else say('undoubted')
        return
      }
      add('unfit')
      if (line) add('flagged')
      if (keeps(original, seen)) {
        add('known')
        if (mend === original) add('recovered')
        else say('unmended')
      }
      if (mend !== undefined) add('mends')
      else if (line?.verdict === 'ambiguous') {
        add('lists')
        if (line.candidates.includes(original)) add('inList')
        else say('unlisted')
      }
    })
  })
}

const row = (title, t) =>
  [
    title.padEnd(16),
    `${t.changed}`.padStart(8),
    share(t.flagged, t.unfit),
    share(t.doubted, t.stillFit),
    `${t.accused}`.padStart(7),
    share(t.recovered, t.known),
    `${t.mends}`.padStart(7),
    `${t.wrong}`.padStart(6),
    share(t.inList, t.lists),
  ].join(' ')
if (!process.argv.some((word) => /^--(wrong|un|accused)/.test(word))) {
  console.log(
    `${''.padEnd(16)}  changed flagged doubted accused   known   mends  wrong  listed\n${''.padEnd(16)}   values % unfit % still   clean mended%                  % lists`,
  )
  for (const [key, figures] of table) console.log(row(key, figures))
}
