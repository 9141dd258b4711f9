// Verdicts on made-up populations: identifiers are drawn evenly or issued in blocks (populations/kinds.mjs), changed in
// ways written independently of the library (populations/conversions.mjs), in columns of several layouts. What comes
// back is held against what was there before. A harder trial than bench/verdicts.mjs: nobody chose these columns.
//
//   node bench/populations.mjs             the table of totals, by kind, conversion and scene
//   node bench/populations.mjs --json      the figures, for the tests; --every=7 for a seventh of the columns
//   node bench/populations.mjs --wrong     each wrong mend; --unmended, --accused, --undoubted, --unlisted likewise; --only=TEXT, --seed=N
//   node bench/populations.mjs --times=8   so many times as many rows, and no more of them struck here and there

import { fit, fromCatalog, identifier } from '../packages/sornak/dist/index.js'
import { inThreads, judgedColumn, randomFrom } from './columns.mjs'
import { CONVERSIONS } from './populations/conversions.mjs'
import { KINDS } from './populations/kinds.mjs'
import { asked, numberIn, option, share } from './words.mjs'

const seed = numberIn('seed', 7)
const every = numberIn('every', 1)
const only = option('only') ?? ''
const times = numberIn('times', 1)

/** Of how many rows which are struck: by the first of three conversions, or by which of them. */
const SCENES = {
  'all rows': [240, () => true],
  'a short list': [12, () => true],
  half: [400, (row) => row < 200],
  'a block': [400, (row) => row >= 150 && row < 250],
  'eight rows': [400, (row) => row >= 150 && row < 158],
  'one in four': [400, (_, r) => r.below(4 * times) === 0],
  'one in fifty': [400, (_, r) => r.below(50 * times) === 0],
  'three at once': [600, (row, r) => stretch(row) || (r.below(50 * times) === 0 && 3)],
}

/** Two conversions strike rows one after the other. */
const stretch = (row) => (row >= 150 && row < 250 ? 1 : row >= 400 && row < 460 ? 2 : 0)

/** Scenes in which twenty rows and more were struck one after the other. */
const RUNS = ['all rows', 'half', 'a block', 'three at once']

const tasks = Object.keys(KINDS)
  .flatMap((kind) =>
    Object.keys(CONVERSIONS).flatMap((conversion) =>
      Object.keys(SCENES).map((scene) => ({ kind, conversion, scene })),
    ),
  )
  .map((task, i) => ({ ...task, name: `${task.kind} | ${task.conversion} | ${task.scene}`, i }))
  .filter(({ name, i }) => randomFrom(i * 7919).below(every) === 0 && name.includes(only))

const KEYS = [
  'changed',
  'unfit',
  'flagged',
  'silent',
  'doubted',
  'unchanged',
  'accused',
  'known',
  'recovered',
  'exact',
  'exactWrong',
  'odds',
  'oddsTold',
  'oddsWrong',
  'listed',
  'inList',
]
const none = () => Object.fromEntries(KEYS.map((key) => [key, 0]))

function definitionOf({ like, ...source }) {
  return like ? fromCatalog(like) : identifier(source, 'made-up')
}

function measure({ kind, conversion, scene, name, i }) {
  const [source, makes] = KINDS[kind]
  const others = Object.values(CONVERSIONS)
  const pick = randomFrom(i * 104_729)
  const each = [CONVERSIONS[conversion], ...[2, 3].map(() => others[pick.below(others.length)])]
  const [length, struck] = SCENES[scene]
  const definition = definitionOf(source)
  const random = randomFrom(seed * 1_000_003 + i)
  const draw = makes(random)
  const rows = Array.from({ length: length * times }, (_, row) => {
    const original = draw()
    const hit = Number(struck(Math.floor(row / times), random))
    const { convert, keeps = false } = each[hit - 1] ?? {}
    return { original, seen: convert?.(original) ?? original, hit, keeps }
  })
  const figures = none()
  const lines = []
  const say = (kindOfLine, row, judged) =>
    asked.has(`--${kindOfLine}`) &&
    lines.push(
      [
        name,
        row.original,
        row.seen,
        judged.verdict,
        judged.mend ?? '-',
        judged.run?.process ?? '',
        judged.candidates
          .slice(0, 3)
          .map((one) => `${one.text} ${one.by[0]?.process} ${one.odds?.toPrecision(4)}`)
          .join('; '),
      ].join(' | '),
    )
  // A conversion that leaves all of this kind alone has nothing to show.
  if (rows.every(({ original, seen }) => original === seen)) return { figures, lines }
  const { judgedAt } = judgedColumn(
    definition,
    rows.map(({ seen }) => seen),
  )
  rows.forEach((row, index) => {
    const { original, seen, hit, keeps } = row
    const judged = judgedAt(index)
    const { verdict, findings, mend, candidates, proof } = judged
    const quiet = (verdict === 'intact' || verdict === 'blank') && findings.length === 0
    if (original === seen) {
      if (!hit) {
        figures.unchanged++
        if (!quiet) {
          figures.accused++
          say('accused', row, judged)
        }
      }
      return
    }
    figures.changed++
    if (fit(definition, seen).ok) {
      // So many in a row should show; a few, or some here and there, hardly can.
      if (RUNS.includes(scene) && hit < 3) {
        figures.silent++
        if (verdict === 'suspect') figures.doubted++
        else say('undoubted', row, judged)
      }
      return
    }
    figures.unfit++
    if (!quiet) figures.flagged++
    if (keeps) {
      figures.known++
      if (mend === original) figures.recovered++
      else say('unmended', row, judged)
    }
    if (mend !== undefined) {
      const by = proof === 'odds' ? 'odds' : 'exact'
      figures[by]++
      if (by === 'odds') figures.oddsTold += 1 - (candidates[0]?.odds ?? 1)
      if (mend !== original) {
        figures[`${by}Wrong`]++
        say('wrong', row, judged)
      }
    } else if (verdict === 'ambiguous') {
      figures.listed++
      if (candidates.some(({ text }) => text === original)) figures.inList++
      else say('unlisted', row, judged)
    }
  })
  return { figures, lines }
}

function totals(results) {
  const table = new Map()
  const at = (key) => table.get(key) ?? table.set(key, none()).get(key)
  results.forEach(({ figures }, i) => {
    const { kind, conversion, scene } = tasks[i]
    for (const key of ['all', `scene|${scene}`, `kind|${kind}`, `conversion|${conversion}`])
      for (const name of KEYS) at(key)[name] += figures[name]
  })
  return table
}

const row = (title, t) =>
  [
    title.padEnd(30),
    `${t.changed}`.padStart(8),
    share(t.flagged, t.unfit),
    share(t.doubted, t.silent),
    `${t.accused}`.padStart(7),
    share(t.recovered, t.known),
    `${t.exact}`.padStart(7),
    `${t.exactWrong}`.padStart(6),
    `${t.odds}`.padStart(7),
    t.oddsTold.toFixed(1).padStart(7),
    `${t.oddsWrong}`.padStart(6),
    share(t.inList, t.listed),
  ].join(' ')

function print(table) {
  const title = (...words) =>
    words.map((word, i) => (i ? word.padStart(WIDTHS[i]) : word.padEnd(30))).join(' ')
  const WIDTHS = [30, 8, 7, 7, 7, 7, 7, 6, 7, 7, 6, 7]
  console.log(
    title(
      '',
      'changed',
      'flagged',
      'doubted',
      'accused',
      'known',
      'exact',
      'wrong',
      'odds',
      'may be',
      'wrong',
      'listed',
    ),
  )
  console.log(
    title(
      '',
      'values',
      '% unfit',
      '% still',
      'clean',
      'mended%',
      'mends',
      '',
      'mends',
      'wrong',
      '',
      '% lists',
    ),
  )
  for (const group of ['all', 'scene', 'kind', 'conversion'])
    for (const [key, figures] of table)
      if (key.split('|')[0] === group) console.log(row(key.split('|')[1] ?? 'in all', figures))
}

const results = await inThreads(new URL(import.meta.url), tasks, measure)
if (results) {
  const lines = results.flatMap(({ lines: said }) => said)
  if (asked.has('--json')) console.log(JSON.stringify(Object.fromEntries(totals(results))))
  else if (lines.length > 0) console.log(lines.join('\n'))
  else print(totals(results))
}
