// One value through a mask or an identifier's display form, or the reason why not.

import type { ReadFlags } from './read-flags.js'
import { fit, type Definition, type Mask, type Misfit } from 'sornak'
import { usage } from './stop.js'
import type { Subject } from './subject.js'

export interface ShowFlags extends ReadFlags {
  readonly rules?: string
  readonly given?: string
  readonly form?: string
  readonly out?: string
  readonly column?: string
  readonly beside?: boolean
  readonly into?: string
  readonly watch?: boolean
}

export type Reason = Pick<Misfit, 'message' | 'todo'>

/** Shows one value, or says why it cannot be shown. */
export function shower(
  subject: Subject,
  flags: Pick<ShowFlags, 'given' | 'form'>,
): (value: string) => string | Reason {
  return subject.kind === 'mask'
    ? (value) => throughMask(subject.mask, value, flags.given)
    : (value) => throughIdentifier(subject.definition, value, flags)
}

// The value is taken as plain and as shown; where both fit and differ, nothing is guessed.
function throughMask(mask: Mask, value: string, given: string | undefined): string | Reason {
  const plain = given === 'shown' ? undefined : mask.show(value)
  if (given === 'plain' || given === 'stored') return plain!.ok ? plain!.text : plain!.misfit
  const read = mask.read(value)
  const again = read.ok ? mask.show(read.plain) : undefined
  const shown = plain?.ok ? plain.text : undefined
  if (again?.ok && shown !== undefined && again.text !== shown) return different(shown, again.text)
  if (shown !== undefined) return shown
  if (again?.ok) return again.text
  const misfits = [
    plain?.ok === false ? plain.misfit : undefined,
    read.ok ? undefined : read.misfit,
  ]
  return misfits.reduce(
    (best, one) => (one && (!best || one.at > best.at) ? one : best),
    undefined,
  )!
}

function throughIdentifier(
  definition: Definition,
  value: string,
  { given, form }: Pick<ShowFlags, 'given' | 'form'>,
): string | Reason {
  const display = form === undefined ? definition.display : definition.displays.get(form)
  if (!display)
    throw usage(
      `"${definition.key}" has no display form "${form}".`,
      `It has: ${[...definition.displays.keys()].join(', ')}.`,
    )
  const stored = given === 'shown' || given === 'plain' ? undefined : fit(definition, value)
  const plains = new Set<string>()
  if (stored?.ok) plains.add(stored.plain)
  else if (given === 'stored' && stored)
    return stored.code === 'shape'
      ? stored.misfit
      : {
          message: `It fails its ${stored.code === 'check-digit' ? 'check digit' : 'reserved ranges'}.`,
          todo: `"sornak explain ${definition.key} VALUE" says more.`,
        }
  if (given === 'plain') plains.add(value)
  if (given !== 'stored' && given !== 'plain') {
    for (const list of [
      ...definition.displays.values(),
      ...(definition.alsoRead ? [definition.alsoRead] : []),
    ]) {
      const read = list.read(value)
      if (read.ok && !stored?.ok) plains.add(read.plain)
    }
  }
  const texts = [...plains]
    .map((plain) => display.show(plain))
    .filter((one) => one.ok)
    .map(({ text }) => text)
  const unlike = new Set(texts)
  if (unlike.size > 1) return different([...unlike][0]!, [...unlike][1]!)
  if (texts[0] !== undefined) return texts[0]
  const read = definition.stored.read(value)
  return read.ok
    ? {
        message: 'It fits its shape but not its rules.',
        todo: `"sornak explain ${definition.key} VALUE" says more.`,
      }
    : read.misfit
}

const different = (a: string, b: string): Reason => ({
  message: `Taken as a plain value it shows as "${a}", taken as shown text as "${b}".`,
  todo: 'Say which it is with --given plain or --given shown.',
})
