// Runs of rows in which the evidence for a process stands out: the best way to divide the rows into runs
// and the rest, when every run costs a penalty to begin. Two parts join into what the whole would be,
// exactly: all figures are integers of 1/256 bit.

/** A place between two rows, with whatever the owner wants to know of it later. */
export interface Mark<Known> {
  /** Rows before it. */
  readonly row: number
  readonly known: Known
}

export interface Run<Known> {
  readonly from: Mark<Known>
  readonly to: Mark<Known>
  /** Evidence of its rows, in 1/256 bit, the penalty not taken off. */
  readonly score: number
}

interface Closed<Known> {
  /** Undefined where the run began before the first row of this part. */
  readonly from: Mark<Known> | undefined
  readonly to: Mark<Known>
  readonly score: number
  readonly before: Closed<Known> | undefined
}

/** A way to divide the rows so far: ends inside a run or outside. */
interface Way<Known> {
  readonly total: number
  readonly closed: Closed<Known> | undefined
  /** Where the run begins in which it ends; undefined outside, or where it began before this part. */
  readonly open: Mark<Known> | undefined
  /** Evidence of the run in which it ends. */
  readonly score: number
}

const NEVER = Number.MIN_SAFE_INTEGER

/**
 * The best ways from each state (0 outside of a run, 1 inside) before the rows to each state behind them:
 * a matrix of the max-plus algebra.
 */
export interface RunState<Known> {
  readonly ways: readonly [readonly [Way<Known>, Way<Known>], readonly [Way<Known>, Way<Known>]]
}

const nowhere = { total: NEVER, closed: undefined, open: undefined, score: 0 }
const start = { total: 0, closed: undefined, open: undefined, score: 0 }

/** No rows: each state stays what it is. */
export function noRows<Known>(): RunState<Known> {
  return {
    ways: [
      [start, nowhere],
      [nowhere, start],
    ],
  }
}

/**
 * One more row.
 *
 * @param score its evidence, in 1/256 bit
 * @param before the place before it, asked for only where a run begins; `after` only where one may end
 */
export function withRow<Known>(
  { ways }: RunState<Known>,
  score: number,
  penalty: number,
  before: () => Mark<Known>,
  after: () => Mark<Known>,
): RunState<Known> {
  const step = ([outside, inside]: readonly [Way<Known>, Way<Known>]): [Way<Known>, Way<Known>] => {
    const stays = inside.total === NEVER ? NEVER : inside.total + score
    const begins = outside.total === NEVER || score <= 0 ? NEVER : outside.total + score - penalty
    const within: Way<Known> =
      stays === NEVER && begins === NEVER
        ? nowhere
        : begins > stays
          ? { total: begins, closed: outside.closed, open: before(), score }
          : { total: stays, closed: inside.closed, open: inside.open, score: inside.score + score }
    return [leave(outside, within, after), within]
  }
  return { ways: [step(ways[0]), step(ways[1])] }
}

/** Rows that say nothing for the process: only a run that is open loses by them. */
export function faded<Known>(state: RunState<Known>, score: number): RunState<Known> {
  const { ways } = state
  if (score === 0 || (ways[0][1].total === NEVER && ways[1][1].total === NEVER)) return state
  const fade = ([outside, inside]: readonly [Way<Known>, Way<Known>]): [Way<Known>, Way<Known>] => [
    outside,
    inside.total === NEVER
      ? inside
      : {
          total: inside.total + score,
          closed: inside.closed,
          open: inside.open,
          score: inside.score + score,
        },
  ]
  return { ways: [fade(ways[0]), fade(ways[1])] }
}

// A run ends behind a row as soon as ending there is better than never having begun.
function leave<Known>(
  outside: Way<Known>,
  inside: Way<Known>,
  after: () => Mark<Known>,
): Way<Known> {
  if (inside.total === NEVER || inside.total <= outside.total) return outside
  return {
    total: inside.total,
    closed: { from: inside.open, to: after(), score: inside.score, before: inside.closed },
    open: undefined,
    score: 0,
  }
}

/** Rows of one part followed by those of another, whose marks are moved behind those of the first. */
export function joined<Known>(
  first: RunState<Known>,
  second: RunState<Known>,
  move: (mark: Mark<Known>) => Mark<Known>,
): RunState<Known> {
  const cell = (from: 0 | 1, to: 0 | 1): Way<Known> => {
    const [a, b] = [first.ways[from][0], second.ways[0][to]]
    const [c, d] = [first.ways[from][1], second.ways[1][to]]
    const outside = a.total === NEVER || b.total === NEVER ? NEVER : a.total + b.total
    const inside = c.total === NEVER || d.total === NEVER ? NEVER : c.total + d.total
    if (outside === NEVER && inside === NEVER) return nowhere
    if (inside !== outside) return inside > outside ? through(c, d, move) : through(a, b, move)
    return earlier(through(c, d, move), through(a, b, move))
  }
  return {
    ways: [
      [cell(0, 0), cell(0, 1)],
      [cell(1, 0), cell(1, 1)],
    ],
  }
}

// Of two ways that are as good, the one whose last run begins or ends first, as row by row it would have
// been found first.
function earlier<Known>(a: Way<Known>, b: Way<Known>): Way<Known> {
  const row = (mark: Mark<Known> | undefined) => mark?.row ?? -1
  if (row(a.open) !== row(b.open)) return row(a.open) < row(b.open) ? a : b
  let [one, two] = [a.closed, b.closed]
  for (; one && two; one = one.before, two = two.before) {
    if (one === two) return a
    if (one.to.row !== two.to.row) return one.to.row < two.to.row ? a : b
    if (row(one.from) !== row(two.from)) return row(one.from) < row(two.from) ? a : b
  }
  return two ? a : b
}

function through<Known>(
  first: Way<Known>,
  second: Way<Known>,
  move: (mark: Mark<Known>) => Mark<Known>,
): Way<Known> {
  let closed = first.closed
  const chain: Closed<Known>[] = []
  for (let run = second.closed; run; run = run.before) chain.unshift(run)
  for (const run of chain) {
    const began = run.from === undefined
    closed = {
      from: began ? first.open : move(run.from),
      to: move(run.to),
      score: run.score + (began ? first.score : 0),
      before: closed,
    }
  }
  const total = first.total + second.total
  if (chain.length === 0 && second.open === undefined)
    return { total, closed, open: first.open, score: first.score + second.score }
  return { total, closed, open: second.open && move(second.open), score: second.score }
}

/** The runs of all rows, in order. */
export function runsOf<Known>({ ways }: RunState<Known>): Run<Known>[] {
  const runs: Run<Known>[] = []
  for (let run = ways[0][0].closed; run; run = run.before)
    if (run.from) runs.unshift({ from: run.from, to: run.to, score: run.score })
  return runs
}

/** A state without chains: it can be sent to another thread, however many runs it has. */
export interface FlatRuns<Known> {
  readonly closed: readonly FlatClosed<Known>[]
  readonly ways: readonly FlatWay<Known>[]
}

type FlatClosed<Known> = Omit<Closed<Known>, 'before'> & { readonly before: number }
/** `closed` is the number of the last run that is over; negative where there is none. */
type FlatWay<Known> = Omit<Way<Known>, 'closed'> & { readonly closed: number }

export function flat<Known>({ ways }: RunState<Known>): FlatRuns<Known> {
  const closed: FlatClosed<Known>[] = []
  const numbers = new Map<Closed<Known>, number>()
  // Ways share the runs with which they begin.
  const numberOf = (last: Closed<Known> | undefined): number => {
    const chain: Closed<Known>[] = []
    for (let run = last; run && !numbers.has(run); run = run.before) chain.push(run)
    for (const run of chain.reverse()) {
      numbers.set(run, closed.length)
      closed.push({ ...run, before: run.before ? numbers.get(run.before)! : -1 })
    }
    return last ? numbers.get(last)! : -1
  }
  return { ways: ways.flat().map((way) => ({ ...way, closed: numberOf(way.closed) })), closed }
}

export function fromFlat<Known>(state: FlatRuns<Known>): RunState<Known> {
  const closed: Closed<Known>[] = []
  for (const run of state.closed) closed.push({ ...run, before: closed[run.before] })
  const [a, b, c, d] = state.ways.map((way): Way<Known> => ({ ...way, closed: closed[way.closed] }))
  return {
    ways: [
      [a!, b!],
      [c!, d!],
    ],
  }
}
