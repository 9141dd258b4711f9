// The two passes over one file by several threads. The file is cut into segments; what their records say is joined in
// the order of the file, so that everything comes out as if one thread had read it all.

import {
  joinedParts,
  SPOOL_SIZE,
  type InspectedPart,
  type RaggedRecord,
  type Stretch,
  type Table,
  type ValueFinding,
} from 'sornak'
import type { CsvShape, RecordPlace } from 'sornak/rows'
import type { Progress, Source } from '../source.js'
import {
  boundTable,
  inspectionOf,
  unboundOf,
  withoutHeader,
  type BoundTable,
  type FileOptions,
  type FileRule,
} from './bound-table.js'
import type { InspectedFile } from './inspect.js'
import type { Concluded, Looked, Piece } from './part-work.js'
import { openRows } from './rows.js'
import { SEGMENT, segmentsOf, type Segment } from './segments.js'

/** Threads that work on one file. */
export interface Workers {
  readonly count: number
  look(segment: Segment): Promise<Looked>
  /** All of them hear of it. */
  conclude(whole: InspectedPart): Promise<Concluded>
  judge(piece: Piece): Promise<readonly (ValueFinding | RaggedRecord)[]>
}

/**
 * Whether parts of it can be looked at apart: not where values are held against others of the whole file, or against
 * what is known of its cells, and not where it is too small to gain by it.
 */
export function canBeParted(source: Source, rule: FileRule, options: FileOptions): boolean {
  const definitions = [...rule.bind.values()].flatMap((one) =>
    one.kind === 'one' ? [one.definition] : [...one.cases.values()],
  )
  return (
    source.size > SEGMENT &&
    source.storage === undefined &&
    rule.skipLast === 0 &&
    !options.profile &&
    options.onePass !== true &&
    options.trusted.size === 0 &&
    definitions.every(({ unique }) => !unique)
  )
}

/**
 * @param start begins the work, once the header is known
 * @param least size of a segment, in bytes
 */
export async function inspectInParts(
  source: Source,
  rule: FileRule,
  options: FileOptions,
  progress: Progress,
  start: (shape: CsvShape, table: Table) => Workers,
  least: number = SEGMENT,
): Promise<InspectedFile> {
  const { shape, first } = openRows(source)
  const looked: Section[] = []
  const kept = { left: SPOOL_SIZE }
  let bound: BoundTable | undefined
  let workers: Workers | undefined
  let whole: InspectedPart | undefined
  let records = 0
  const segments = segmentsOf(
    source,
    shape,
    first,
    rule.headerRow,
    (view, { line }) => {
      bound = boundTable(view, line, shape, source, rule, options.allowMissing)
      workers = start(shape, bound.table)
    },
    progress,
    least,
  )
  const take = ({ part, places, marks }: Looked, segment: Segment) => {
    whole = whole ? joinedParts(bound!.table, whole, part) : part
    records += segment.to.index - segment.from.index
    if (places) kept.left -= places.length / 3
    looked.push({ segment, marks, places: kept.left >= 0 ? places : undefined })
  }
  await inOrder(
    segments,
    () => workers!.count,
    (one) => workers!.look(one),
    take,
  )
  progress.clear()
  if (!bound || !workers) throw withoutHeader(source, rule)
  const { table, notices } = bound
  const there = inspectionOf(table, shape, source, rule, options, whole)
  const { count, conclude, judge } = workers
  const { columns, again } = whole ? await conclude(whole) : there.conclude()
  return {
    inspection: there,
    records,
    unbound: unboundOf(table),
    notices,
    columns,
    async second(say) {
      const pieces = piecesOf(looked, again)
      await inOrder(
        pieces,
        () => count,
        judge,
        (found, { at }) => {
          progress.at(at, source.size)
          found.forEach(say)
        },
      )
      progress.clear()
    },
  }
}

/** A segment, and what is to be looked at again in it. */
interface Section extends Pick<Looked, 'marks' | 'places'> {
  readonly segment: Segment
}

// Pieces of the second pass, each from one mark to the next.
function* piecesOf(
  sections: readonly Section[],
  again: readonly Stretch[],
): Generator<Piece & { readonly at: number }> {
  let stretch = 0
  for (const { segment, marks, places } of sections) {
    const edges = [segment.from, ...marks, segment.to]
    let next = 0
    for (const [i, to] of edges.slice(1).entries()) {
      const from = edges[i]!
      const begin = next
      while (places && next < places.length && places[next]! < to.index) next += 3
      const stretches: Stretch[] = places ? [] : [{ from, to: last(to) }]
      while (places && stretch < again.length && again[stretch]!.from.index < to.index) {
        const { from: start, to: end } = again[stretch]!
        stretches.push({
          from: start.index < from.index ? from : start,
          to: end.index < to.index ? end : last(to),
        })
        if (end.index >= to.index) break
        stretch++
      }
      if (next > begin || stretches.length)
        yield { places: places?.slice(begin, next) ?? NO_PLACES, again: stretches, at: to.offset }
    }
  }
}

const NO_PLACES = new Float64Array(0)
/** Of a stretch only the number of its last record matters. */
const last = (to: RecordPlace): RecordPlace => ({ ...to, index: to.index - 1 })

// Gives out work as long as there is some, and takes what came of it in the order in which it was given out. No more
// is under way than keeps all threads busy.
async function inOrder<Task, Result>(
  tasks: AsyncIterable<Task> | Iterable<Task>,
  count: () => number,
  work: (task: Task) => Promise<Result>,
  take: (result: Result, task: Task) => void,
): Promise<void> {
  const under: { readonly task: Task; readonly result: Promise<Result> }[] = []
  const next = async () => {
    const { task, result } = under.shift()!
    take(await result, task)
  }
  for await (const task of tasks) {
    const result = work(task)
    // What fails is told when it is its turn.
    result.catch(() => {})
    under.push({ task, result })
    if (under.length >= 2 * count()) await next()
  }
  while (under.length) await next()
}
