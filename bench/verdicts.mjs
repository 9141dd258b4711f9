// Verdicts on conversions that really ran (packages/sornak/test/fixtures/make-conversions.py). Each is set
// into a column in four ways: a block between clean rows, rows scattered among clean ones, nothing but damaged
// rows, and a run of twenty of them, or so many, between clean rows. What comes back is held against what was there before.
//
//   node bench/verdicts.mjs            the table of totals, by identifier and by conversion
//   node bench/verdicts.mjs --json     the figures, for the tests; --every=5 for a fifth of the cases
//   node bench/verdicts.mjs --wrong    every wrong mend and every candidate list without the original
//   node bench/verdicts.mjs --unmended every value that could be mended and was not, or --undoubted that still fits and
//                                      was; --only=TEXT for some cases
//   node bench/verdicts.mjs --run=40   runs of so many rows; --times=12: so many times as many clean rows; --seed=N;
//                                      --slips=200: of so many clean rows one was mistyped; --sorted: all rows, and
//                                      rows here and there, of lists in the order of their numbers
//   node bench/verdicts.mjs --catalog  identifiers of the catalog, with any of the words above; --more: other widths,
//                                      alphabets and populations, and more conversions; --other: other programs;
//                                      --further: others again; --codes: codes that became dates, times and
//                                      sums; --forms: forms in which identifiers are shown

import { fit, identifier } from '../packages/sornak/dist/index.js'
import { cases, cleanValues, identifiers } from './cases.mjs'
import { inThreads, judgedColumn, randomFrom } from './columns.mjs'
import { mistyped } from './slips.mjs'
import { asked, numberIn, option, report, share } from './words.mjs'

const only = option('only')

const RUN = numberIn('run', 20)
const TIMES = numberIn('times', 1)
const SLIPS = numberIn('slips', 0)
const SORTED = asked.has('--sorted')

const SEED = numberIn('seed', 1)
/** Each case draws rows of its own, whichever others are asked for. */
let source = randomFrom(SEED)
const random = (below) => source.below(below)

const some = (count, fresh) => Array.from({ length: count * TIMES }, fresh)
const between = (damaged, fresh) => [...some(240, fresh), ...damaged, ...some(240, fresh)]
const SCENES = {
  block: between,
  scattered: (damaged, fresh) => damaged.flatMap((row) => [...some(3, fresh), row]),
  whole: (damaged) => damaged,
  run(damaged, fresh) {
    const first = random(Math.max(1, damaged.length - RUN))
    return between(damaged.slice(first, first + RUN), fresh)
  },
}
/** Where the rows of a list are in order, those of a block are no other numbers than those around it. */
const ASKED = Object.entries(SCENES).filter(
  ([scene]) => !SORTED || ['scattered', 'whole'].includes(scene),
)
const inOrder = (a, b) =>
  a.original.length - b.original.length || (a.original < b.original ? -1 : 1)

/** Scenes whose clean rows are counted as well. */
const CLEAN_AROUND = ['block', 'run']

const KEYS = [
  'changed',
  'unfit',
  'flagged',
  'stillFit',
  'doubted',
  'unchanged',
  'accused',
  'determined',
  'recovered',
  'mended',
  'wrong',
  'exactWrong',
  'listed',
  'inList',
]
const none = () => Object.fromEntries(KEYS.map((key) => [key, 0]))
function figuresIn(table, key) {
  if (!table.has(key)) table.set(key, none())
  return table.get(key)
}

/** Only every so many case, for a quick look. */
const every = numberIn('every', 1)
const tasks = cases
  .map((task, number) => ({ ...task, number }))
  .filter(
    ({ identifier: name, conversion, number }) =>
      number % every === 0 && `${name} ${conversion}`.includes(only ?? ''),
  )

function measure({ identifier: name, conversion, seen, number }) {
  source = randomFrom(SEED * 1_000_003 + number * 7919)
  const table = new Map()
  const said = []
  const say = (...words) => said.push(words.map(String).join(' '))
  const at = (...keys) => figuresIn(table, keys.join('|'))
  const { source: written, originals } = identifiers[name]
  const definition = identifier(written, name)
  const clean = cleanValues(name, definition, source)
  const fits = (text) => fit(definition, text).ok
  // Where zeros at the front are padding, a value without them is the same one.
  const key = (text) => (definition.zeros === 'padding' ? text.replace(/^0+(?=\d)/, '') : text)
  const damaged = originals.map((original, i) => ({
    original,
    seen: seen[i] ?? original,
    real: true,
  }))
  const taken = takenBy(damaged)
  for (const [scene, build] of ASKED) {
    const built = build(damaged, () => {
      const text = clean()
      const typed = SLIPS > 0 && random(SLIPS) === 0 ? mistyped(text, random) : text
      return { original: text, seen: typed, real: false, typed: typed !== text }
    })
    const rows = SORTED ? built.sort(inOrder) : built
    const { judgedAt } = judgedColumn(
      definition,
      rows.map(({ seen: text }) => text),
    )
    const totals = [
      at('all'),
      at('scene', scene),
      at('identifier', name),
      at('conversion', conversion),
    ]
    const add = (key) => totals.forEach((total) => total[key]++)
    rows.forEach((row, index) => {
      const { run, verdict, findings, mend, proof, candidates, possible } = judgedAt(index)
      const quiet = (verdict === 'intact' || verdict === 'blank') && findings.length === 0
      if (key(row.seen) === key(row.original) && fits(row.seen)) {
        if (!row.real && CLEAN_AROUND.includes(scene)) {
          add('unchanged')
          if (!quiet) add('accused')
        }
        if (mend !== undefined && mend !== row.original) add('wrong')
        return
      }
      add('changed')
      const still = fits(row.seen)
      if (!still) {
        add('unfit')
        if (!quiet) add('flagged')
        else if (asked.has('--wrong')) say('QUIET', name, conversion, scene, row.original, row.seen)
      } else if (scene !== 'scattered' && !row.typed) {
        add('stillFit')
        if (verdict === 'suspect') add('doubted')
        else if (asked.has('--undoubted'))
          say('UNDOUBTED', name, conversion, scene, index, row.original, row.seen, run?.process)
      }
      if (!still && determined(row, fits, taken)) {
        add('determined')
        if (mend === row.original) add('recovered')
        else if (asked.has('--unmended'))
          say(
            'UNMENDED',
            name,
            conversion,
            scene,
            row.original,
            row.seen,
            verdict,
            possible,
            candidates.slice(0, 4).map((c) => c.text + ' ' + c.by[0]?.process),
          )
      }
      if (mend !== undefined) {
        add('mended')
        if (mend !== row.original) {
          add('wrong')
          if (proof === 'exact') add('exactWrong')
          if (asked.has('--wrong'))
            say(
              'WRONG',
              proof,
              name,
              conversion,
              scene,
              index,
              row.original,
              row.seen,
              mend,
              candidates[0].by[0].process,
              run?.process,
              run?.bits,
            )
        }
      }
      // What was meant by a slip is no conversion's to tell.
      if (row.typed) return
      if (verdict === 'ambiguous' || (verdict === 'suspect' && possible <= 1000n)) {
        add('listed')
        if (candidates.some(({ text }) => text === row.original)) add('inList')
        else if (asked.has('--wrong'))
          say(
            'NOT LISTED',
            name,
            conversion,
            scene,
            row.original,
            row.seen,
            verdict,
            possible,
            candidates.slice(0, 4).map((c) => c.text + ' ' + c.by[0]?.process),
          )
      }
    })
  }
  return { figures: [...table], said }
}

/**
 * All digits are still there, and whoever knew what the conversion does would know the original: nothing else fits of all
 * that is as much with zeros in front, that goes on behind the number where the conversion stops there, that wraps
 * round to it where it wraps, or that is as much in octal digits where it reads these; and the number has fewer digits than
 * those that the conversion rounds.
 */
function determined({ original, seen }, fits, { tails, modulus, rounded, octal }) {
  const whole = exact(seen)
  if (whole === undefined || !/^\d+$/.test(original) || whole !== BigInt(original)) return false
  if (`${whole}`.length >= rounded) return false
  const wrapped = Array.from(
    { length: modulus ? MOST_WRAPS : 0 },
    (_, i) => modulus * BigInt(i + 1),
  )
  const ends = ['', ...tails]
  const found = new Set()
  for (let width = 1; width <= WIDEST; width++) {
    for (const number of [whole, ...wrapped.map((more) => whole + more)]) {
      const digits = `${number}`.padStart(width, '0')
      if (digits.length !== width) continue
      for (const end of ends) if (fits(digits + end)) found.add(digits + end)
    }
    const digits = `0${whole.toString(8)}`.padStart(width, '0')
    if (octal && digits.length === width && fits(digits)) found.add(digits)
    if (found.size > 1) return false
  }
  return found.size === 1
}

const WIDEST = 40
const MOST_WRAPS = 50
/** Less than one part in so many is what rounding takes or adds. */
const LITTLE = 1000n

/**
 * What a conversion takes: what stood behind numbers of which only these are left, and what is left out where it wraps;
 * the digits of the smallest number that it rounds; and whether it reads octal ones.
 */
function takenBy(rows) {
  const tails = new Set()
  let modulus
  let rounded = Infinity
  let octal = false
  for (const { original, seen } of rows) {
    const [, number, tail] = /^(\d+)(.*)$/.exec(original) ?? []
    const left =
      number === undefined ? undefined : /^-?\d+$/.test(seen) ? BigInt(seen) : exact(seen)
    if (left === undefined) continue
    const lost = BigInt(number) - left
    if (lost === 0n && tail) tails.add(tail)
    for (const size of [1n << 16n, 1n << 32n])
      if (lost > 0n && lost % size === 0n && left < size) modulus = size
    if (lost !== 0n && /^0[0-7]+$/.test(original) && left === BigInt(`0o${original}`)) octal = true
    const moved = (lost < 0n ? -lost : lost) * LITTLE
    if (lost !== 0n && moved < left) rounded = Math.min(rounded, `${left}`.length)
  }
  return { tails: [...tails], modulus, rounded, octal }
}

function exact(seen) {
  const bare = seen.normalize('NFKC').replace(/["'=$R\s\u200b]|^\+/g, '')
  const plain = /^\d+(?:[.,]0+)?$/.test(bare) ? bare.replace(/[.,]0+$/, '') : undefined
  const grouped = /^\d{1,3}(?:,\d{2,3})*(?:\.0+)?$/.test(bare)
    ? bare.replace(/\.0+$/, '').replaceAll(',', '')
    : undefined
  const digits = plain ?? grouped
  return digits === undefined ? undefined : BigInt(digits)
}

const HEAD = [
  '                                   changed flagged doubted accused mended  mended wrong  listed',
  '                                    values % unfit % still % clean % known  in all       % lists',
]

const results = await inThreads(new URL(import.meta.url), tasks, measure)
if (results) {
  const table = new Map()
  for (const { figures } of results)
    for (const [key, added] of figures) {
      const total = figuresIn(table, key)
      for (const name of KEYS) total[name] += added[name]
    }
  const said = results.flatMap(({ said }) => said)
  report(table, said, HEAD, ['all', 'scene', 'identifier', 'conversion'], row)
}

function row(title, t) {
  return [
    title.padEnd(34),
    `${t.changed}`.padStart(7),
    share(t.flagged, t.unfit, 6),
    share(t.doubted, t.stillFit, 6),
    share(t.accused, t.unchanged, 6),
    share(t.recovered, t.determined, 6),
    `${t.mended}`.padStart(7),
    `${t.wrong}`.padStart(5),
    share(t.inList, t.listed, 6),
  ].join(' ')
}
