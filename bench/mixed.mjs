// Verdicts on columns that went through many hands: a list that was put together from others, each of which went through a
// program of its own, or rows that people sent in. The conversions are those of bench/verdicts.mjs.
//
//   node bench/mixed.mjs           the table of totals, by scene and by identifier
//   node bench/mixed.mjs --json    the figures, for the tests; --every=3 for a third of the columns; --only=TEXT, --seed=N
//   node bench/mixed.mjs --wrong   each wrong mend; --unlisted, --undoubted, --accused likewise
//   node bench/mixed.mjs --more    identifiers and conversions of other trials, as there

import { fit, identifier } from '../packages/sornak/dist/index.js'
import { cases, cleanValues, identifiers } from './cases.mjs'
import { inThreads, judgedColumn, randomFrom } from './columns.mjs'
import { asked, numberIn, option, report, share } from './words.mjs'

const seed = numberIn('seed', 1)
const every = numberIn('every', 1)
const only = option('only') ?? ''

/** How many rows, and which conversion strikes one: any, or always the same of a name; none where there is no name. */
const SCENES = {
  'all rows': [400, () => 'any'],
  'one in four': [600, (_, random) => random.below(4) === 0 && 'any'],
  'one in twenty': [1200, (_, random) => random.below(20) === 0 && 'any'],
  'a part each': [800, (row) => `part ${Math.floor(row / 25)}`],
  'parts among others': [1200, (row) => row % 80 >= 40 && `part ${Math.floor(row / 80)}`],
  'three in a block': [
    400,
    (row, random) => row >= 150 && row < 210 && `one of three ${random.below(3)}`,
  ],
}
/** Of many rows that nothing was done to, two in a hundred went through one of a few programs. */
const SPARSE = {
  'two of many': [4000, (_, random) => random.below(50) === 0 && `one of two ${random.below(2)}`],
  'five of many': [4000, (_, random) => random.below(50) === 0 && `one of five ${random.below(5)}`],
  'two in a block': [
    400,
    (row, random) => row >= 150 && row < 250 && `one of two ${random.below(2)}`,
  ],
}

const tasks = [SCENES, SPARSE]
  .flatMap((scenes) =>
    Object.keys(identifiers).flatMap((name) =>
      Object.entries(scenes).map(([scene, how]) => ({ name, scene, how })),
    ),
  )
  .map((task, number) => ({ ...task, number }))
  .filter(({ name, scene, number }) => number % every === 0 && `${name} ${scene}`.includes(only))

const KEYS = [
  'changed',
  'unfit',
  'flagged',
  'stillFit',
  'doubted',
  'unchanged',
  'accused',
  'mended',
  'wrong',
  'listed',
  'inList',
]
const none = () => Object.fromEntries(KEYS.map((key) => [key, 0]))

function measure({ name, scene, how, number }) {
  const random = randomFrom(seed * 1_000_003 + number * 7919)
  const { source, originals } = identifiers[name]
  const definition = identifier(source, name)
  const own = cases.filter((one) => one.identifier === name)
  const clean = cleanValues(name, definition, random)
  const oneOf = (list) => list[random.below(list.length)]
  const [count, strikes] = how
  const known = new Map()
  const rows = Array.from({ length: count }, (_, row) => {
    const part = strikes(row, random)
    if (!part) {
      const text = clean()
      return { original: text, seen: text, conversion: '-' }
    }
    if (part === 'any' || !known.has(part)) known.set(part, oneOf(own))
    const { conversion, seen } = known.get(part)
    const i = random.below(originals.length)
    return { original: originals[i], seen: seen[i] ?? originals[i], conversion }
  })
  const { judgedAt } = judgedColumn(
    definition,
    rows.map(({ seen }) => seen),
  )
  const figures = none()
  const said = []
  rows.forEach(({ original, seen, conversion }, row) => {
    const { run, verdict, findings, mend, candidates, possible } = judgedAt(row)
    const say = (word, ...more) => {
      if (asked.has(`--${word}`))
        said.push([name, conversion, scene, row, original, seen, run?.process, ...more].join(' | '))
    }
    const quiet = (verdict === 'intact' || verdict === 'blank') && findings.length === 0
    if (mend !== undefined) {
      figures.mended++
      if (mend !== original) {
        figures.wrong++
        say('wrong', mend, candidates[0].by[0]?.process)
      }
    }
    if (seen === original) {
      // What a conversion left as it was stands among those that it changed.
      if (conversion !== '-') return
      figures.unchanged++
      if (!quiet) {
        figures.accused++
        say('accused', verdict)
      }
      return
    }
    figures.changed++
    if (!fit(definition, seen).ok) {
      figures.unfit++
      if (!quiet) figures.flagged++
    } else if (scene === 'parts among others') {
      figures.stillFit++
      if (verdict === 'suspect') figures.doubted++
      else say('undoubted')
    }
    if (verdict !== 'ambiguous') return
    figures.listed++
    if (candidates.some(({ text }) => text === original)) figures.inList++
    else say('unlisted', possible, candidates[0].text, candidates[0].by[0]?.process)
  })
  return { figures, said }
}

const HEAD = [
  '                     changed flagged doubted accused  mended wrong  listed',
  '                      values % unfit % still  values   in all       % lists',
]

const results = await inThreads(new URL(import.meta.url), tasks, measure)
if (results) {
  const table = new Map()
  results.forEach(({ figures }, i) => {
    const { name, scene } = tasks[i]
    for (const key of ['all', `scene|${scene}`, `identifier|${name}`]) {
      if (!table.has(key)) table.set(key, none())
      for (const one of KEYS) table.get(key)[one] += figures[one]
    }
  })
  const said = results.flatMap(({ said }) => said)
  report(table, said, HEAD, ['all', 'scene', 'identifier'], row)
}

function row(title, t) {
  return [
    title.padEnd(20),
    `${t.changed}`.padStart(7),
    share(t.flagged, t.unfit, 7),
    share(t.doubted, t.stillFit, 7),
    `${t.accused}`.padStart(7),
    `${t.mended}`.padStart(7),
    `${t.wrong}`.padStart(5),
    share(t.inList, t.listed, 7),
  ].join(' ')
}
