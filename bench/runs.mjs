// What is told of long columns: each stretch of rows that went through a conversion should be found and named, and
// nothing else be told. Kinds and conversions are those of bench/populations.mjs, written independently of the library.
//
//   node bench/runs.mjs            the table, by scene and conversion, of a fifth of the columns; --every=1 for all
//   node bench/runs.mjs --json     the figures, for the tests
//   node bench/runs.mjs --missed   each stretch that was not found; --misnamed, --odd likewise; --only=TEXT, --seed=N

import { columnRuns, fromCatalog, identifier } from '../packages/sornak/dist/index.js'
import { evidenceOf, inThreads, randomFrom } from './columns.mjs'
import { CONVERSIONS } from './populations/conversions.mjs'
import { KINDS } from './populations/kinds.mjs'
import { asked, numberIn, option, share } from './words.mjs'

const seed = numberIn('seed', 11)
const every = numberIn('every', 5)
const only = option('only') ?? ''

const ROWS = 6_000
/** Which conversion strikes a row, the first or another; none here and there lies in a stretch. */
const SCENES = {
  'one stretch': (row) => (row >= 2_000 && row < 4_500 ? 1 : 0),
  'two stretches': (row) => (row >= 1_000 && row < 2_200 ? 1 : row >= 3_500 && row < 5_000 ? 2 : 0),
  'all rows': () => 1,
  'one in four': (_, random) => (random.below(4) === 0 ? 1 : 0),
  'one in fifty': (_, random) => (random.below(50) === 0 ? 1 : 0),
}
const APART = ['one in four', 'one in fifty']

/** Channels that may be named; where zeros at the front are all that was lost, a number was read. */
const CHANNELS = {
  'read as a number': ['number-read'],
  'decimal tail .0': ['decimal-tail'],
  'decimal tail .00': ['decimal-tail'],
  'grouped by commas': ['grouping'],
  'grouped, two decimals': ['grouping', 'decimal-tail'],
  'grouped by points': ['grouping'],
  'exponent, six digits': ['exponent-form', 'short-display'],
  'exponent, three digits': ['exponent-form', 'short-display'],
  'exponent, all digits': ['exponent-form'],
  'rounded to fifteen': ['fifteen-digits'],
  'cut to fifteen': ['fifteen-digits'],
  binary64: ['binary64'],
  binary32: ['binary32'],
  'binary64, fewest digits': ['binary64'],
  'binary64, seventeen digits': ['binary64'],
  'binary32, fewest digits': ['binary32'],
  'rounded to ten digits': ['short-display'],
  'rounded to hundreds': ['short-display'],
  'wrapped in 16 bits': ['wrapped'],
  'wrapped in 16 bits, unsigned': ['wrapped'],
  'wrapped in 32 bits': ['wrapped'],
  'wrapped in 32 bits, unsigned': ['wrapped'],
  'held at 32 bits': ['clamped'],
  'last character cut': ['cut-short'],
  'first character cut': ['cut-short'],
  'last three cut': ['cut-short'],
  'octal where it can be': ['other-base'],
  'space in front': ['stray-mark'],
  apostrophe: ['stray-mark'],
  'no-break space behind': ['hidden-character'],
  'number as a formula': ['stray-mark'],
  'percent sign': ['scaled'],
  'hundredfold percent': ['scaled'],
  'letters for digits': ['look-alike'],
  'taken for a power of ten': ['evaluated'],
}
const bare = (text) => text.replace(/^0+(?=\d)/, '')
/** Of fewer changed values no stretch has to be found, */
const FEW = 40
/** and its ends within a fiftieth of its rows. */
const NEAR = 1 / 50

const KEYS = ['columns', 'stretches', 'found', 'named', 'lines', 'odd']
const none = () => Object.fromEntries(KEYS.map((key) => [key, 0]))
const conversions = Object.keys(CONVERSIONS)

const tasks = Object.keys(KINDS)
  .flatMap((kind) =>
    conversions.flatMap((conversion) =>
      Object.keys(SCENES).map((scene) => ({ kind, conversion, scene })),
    ),
  )
  .map((task, i) => ({ ...task, name: `${task.kind} | ${task.conversion} | ${task.scene}`, i }))
  .filter(({ name, i }) => randomFrom(i * 7919).below(every) === 0 && name.includes(only))

function measure({ kind, conversion, scene, name, i }) {
  const random = randomFrom(seed * 1_000_003 + i)
  const each = [conversion, conversions[random.below(conversions.length)]]
  const [{ like, ...source }, makes] = KINDS[kind]
  const definition = like ? fromCatalog(like) : identifier(source, 'made-up')
  const draw = makes(random)
  const rows = Array.from({ length: ROWS }, (_, row) => {
    const original = draw()
    const by = SCENES[scene](row, random)
    return { original, by, seen: CONVERSIONS[each[by - 1]]?.convert(original) ?? original }
  })
  const figures = none()
  const lines = []
  if (rows.every(({ original, seen }) => original === seen)) return { figures, lines }
  figures.columns++
  const texts = rows.map(({ seen }) => seen)
  const { told } = columnRuns(definition, evidenceOf(definition, texts))
  const say = (what, ...words) =>
    asked.has(`--${what}`) && lines.push([name, ...words, told.map(lineOf).join('; ')].join(' | '))
  const stretches = APART.includes(scene) ? [] : each.flatMap((by, k) => stretchOf(rows, k + 1, by))
  for (const { by, first, last, changed, channels } of stretches) {
    if (changed < FEW) continue
    const matching = told.filter((run) => isNear(run, first, last))
    figures.stretches++
    if (matching.length === 0) say('missed', by, `${first}-${last}`)
    else {
      figures.found++
      if (matching.some(({ channel }) => channels.includes(channel))) figures.named++
      else say('misnamed', by, `${first}-${last}`)
    }
  }
  for (const run of told) {
    figures.lines++
    if (stretches.some(({ first, last }) => isNear(run, first, last))) continue
    figures.odd++
    say('odd', each.join(' + '), lineOf(run))
  }
  return { figures, lines }
}

// The rows that one conversion changed.
function stretchOf(rows, k, by) {
  const changed = rows.flatMap((row, i) =>
    row.by === k && row.seen !== row.original ? [{ ...row, i }] : [],
  )
  if (changed.length === 0) return []
  const onlyZeros = changed.every(({ original, seen }) => seen === bare(original))
  const channels = onlyZeros ? ['number-read'] : CHANNELS[by]
  return [{ by, first: changed[0].i, last: changed.at(-1).i, changed: changed.length, channels }]
}

function isNear({ from, to }, first, last) {
  const near = Math.max(8, (last - first) * NEAR)
  return Math.abs(from.index - first) <= near && Math.abs(to.index - last) <= near
}

const lineOf = ({ process, channel, from, to, bits }) =>
  `${channel} (${process}) ${from.index}-${to.index} ${bits}`

const row = (title, t) =>
  [
    title.padEnd(30),
    `${t.columns}`.padStart(8),
    `${t.stretches}`.padStart(9),
    share(t.found, t.stretches, 8),
    share(t.named, t.found, 8),
    `${t.lines}`.padStart(7),
    `${t.odd}`.padStart(5),
  ].join(' ')

const results = await inThreads(new URL(import.meta.url), tasks, measure)
if (results) {
  const table = new Map()
  const at = (key) => table.get(key) ?? table.set(key, none()).get(key)
  results.forEach(({ figures }, i) => {
    const { conversion, scene } = tasks[i]
    for (const key of ['in all', scene, conversion])
      for (const name of KEYS) at(key)[name] += figures[name]
  })
  const lines = results.flatMap(({ lines: said }) => said)
  if (asked.has('--json')) console.log(JSON.stringify(Object.fromEntries(table)))
  else if (lines.length > 0) console.log(lines.join('\n'))
  else {
    console.log(`${' '.repeat(30)}  columns stretches  found %  named %   lines   odd`)
    for (const key of ['in all', ...Object.keys(SCENES), ...conversions])
      if (table.has(key)) console.log(row(key, table.get(key)))
  }
}
