// What its neighbours say of a value, by how they stand and how it does: in one printed form or another, behind marks, or bare.

import type { FindingCode } from '../channel/channel.js'
import type { Definition } from '../identifier/definition.js'
import { spaceOf, type Space } from '../identifier/space.js'
import type { Context } from './context.js'
import { handOf, wayOf } from './evidence/hands.js'
import { countOf } from './evidence/misfit-evidence.js'
import { takesDigits } from './evidence/process-channel.js'
import { FORMS } from './evidence/process.js'
import { priorIn } from './runs/prior.js'
import type { Hypothesis, StandsAs } from './ways/hypothesis.js'
import { OTHER_KIND, THROUGHOUT } from './ways/weights.js'

/**
 * What those of the neighbours say that stand as this value does, where these have a story of their own. Elsewhere what they
 * say takes away certainty, and gives none.
 */
export function amongItsOwn(
  definition: Definition,
  context: Context,
  seen: string,
  ways: readonly Hypothesis[],
): Context {
  const { hands, lift } = context
  if (!hands) return context
  const space = spaceOf(definition)
  const isIn = (form: FindingCode) =>
    ways.some((way) => way.findings.includes(form) && !way.quiet && countOf(way, space) > 0n)
  const hand = handOf(wayOf(seen, isIn))
  const story = hands.story(hand)
  if (story) return { ...context, ...story }
  const own = hands.of(hand)
  if (!own) return context
  const doubt = (id: string) => Math.min(own.lift(id), -Math.log2(priorIn(space, id)))
  // How digits were taken from a number its own form says.
  return { ...context, lift: (id) => (takesDigits(id) ? lift(id) : Math.max(lift(id), doubt(id))) }
}

/**
 * What rows say that stand in another form than this one says little of it: something else may have struck it. Exactly the
 * limit of a type says so itself, and so do marks around a value.
 */
export function amongOthers(
  space: Space,
  context: Context,
  seen: string,
  ways: readonly Hypothesis[],
): Context {
  const { misfits = 0 } = context
  const alike = standingAlike(context, seen, ways)
  const exception = exceptionTo(alike)
  const isOther = alike * 10 < misfits * 9
  const least = isOther ? 0 : -Infinity
  const limit = `clamped ${seen}`
  const leastOf = (process: string) =>
    process === limit ? -exception : process === 'marks' ? 0 : least
  const most = (process: string) => (process === 'marks' && isAligned(context, seen) ? 0 : Infinity)
  // That others gained a minus says as little of -1 as of any that stands for no value.
  const insteadOf = (id: string) => (id === 'unread' && MINUS_ONE.test(seen) ? 'sign' : id)
  const among = {
    ...context,
    lift: (id: string) => Math.min(most(id), Math.max(context.lift(insteadOf(id)), leastOf(id))),
  }
  if (!ways.some(({ process }) => process === 'marks'))
    return ofSeveral(space, among, alike, isOther)
  // Numbers were printed between these marks, where most of them are such as a rounding prints.
  const { behindMarks = () => 0 } = context
  const rounded = ways.some(({ process }) => behindMarks(process) > 0)
  return rounded
    ? {
        ...among,
        lift: (id) => (id === 'marks' ? 0 : Math.max(among.lift(id), behindMarks(id))),
      }
    : among
}

// Where several programs left numbers, any of them may have left this one: a conversion that is seldom met is not as rare as
// elsewhere. What rows say most of which stand in other forms is said by other programs, and makes none sure.
function ofSeveral(space: Space, context: Context, alike: number, isOther: boolean): Context {
  const { seldom = 0, lift } = context
  if (seldom === 0) return context
  const least = Math.log2(Math.min(THROUGHOUT, seldom / Math.max(1, alike)))
  return {
    ...context,
    lift(process) {
      const rare = Math.log2(priorIn(space, process))
      const atLeast = Math.max(0, least - rare)
      if (isOther) return Math.min(-rare, Math.max(rare < 0 ? atLeast : 0, lift(process)))
      return atLeast > 0 ? Math.max(atLeast, lift(process)) : lift(process)
    },
  }
}

// Numbers are printed to the right of a field, or with one space in the place of the sign; texts hardly are.
function isAligned({ unkept = 0 }: Context, seen: string): boolean {
  const spaces = /^ *(?=[1-9])/.exec(seen)?.[0].length ?? 0
  return spaces > 0 && unkept > (spaces > 1 ? 0 : SIGN_BITS)
}

const MINUS_ONE = /^-1(?:[.,]0+)?$/
/** One space came from somewhere else, maybe. */
const SIGN_BITS = 1.5

// Neighbours that stand as this one does, and do not fit.
function standingAlike(
  { inForm = () => 0 }: Context,
  seen: string,
  ways: readonly Hypothesis[],
): number {
  const forms = FORMS.filter((code) => ways.some(({ findings }) => findings.includes(code)))
  const bare: StandsAs = seen.startsWith('-') ? 'below-zero' : 'bare'
  return Math.max(...(forms.length ? forms : [bare]).map(inForm))
}

const exceptionTo = (rows: number) => OTHER_KIND.run + Math.log2(1 + rows)

/** That a short value lost all the zeros it lacks is said by others, maybe, of which hardly one can have lost so many. */
export function lacksMany(context: Context, seen: string, ways: readonly Hypothesis[]): Context {
  const own = context.lone?.(seen, exceptionTo(standingAlike(context, seen, ways)))
  if (!own) return context
  return { ...context, lift: (process) => Math.max(context.lift(process), own(process)) }
}
