// The masks of a definition: each read with what is wrong in it, and all of one kind.

import { listOf, type MaskList } from '../mask/list.js'
import { tryMask, type Mask } from '../mask/mask.js'
import { isList, isMap, type Path, type Plain, type Reader } from './plain.js'

export function readMasks(value: Plain, path: Path, reader: Reader): MaskList | undefined {
  const texts = reader.texts(value, path)
  if (!texts) return undefined
  if (texts.length === 0) {
    return reader.refuse(
      'mask-missing',
      path,
      'The list of masks is empty.',
      'Write at least one mask.',
    )
  }
  const built = texts.map((text, i): Mask | undefined => {
    const made = tryMask(text)
    if (made.ok) return made.mask
    const { code, message, todo, example, at } = made.problem
    const where = isList(value) ? [...path, i] : path
    return reader.refuse(
      code,
      where,
      `In the mask "${text}": ${lower(message)}`,
      `${todo} For example: ${example}`,
      { offset: at },
    )
  })
  return built.every((one) => one !== undefined) ? listOf(built) : undefined
}

export function readDisplays(
  value: Plain,
  path: Path,
  reader: Reader,
): Map<string, MaskList> | undefined {
  if (!isMap(value)) {
    const list = readMasks(value, path, reader)
    return list && new Map([['display', list]])
  }
  const named = Object.entries(value).map(
    ([name, one]) => [name, readMasks(one, [...path, name], reader)] as const,
  )
  if (named.length === 0) {
    return reader.refuse(
      'mask-missing',
      path,
      'No display form is named here.',
      'Write, for example, national: "{3} {4}".',
    )
  }
  return named.every((pair): pair is [string, MaskList] => pair[1] !== undefined)
    ? new Map(named)
    : undefined
}

/** A value has one kind; what is filled from a record has no stored form at all. */
export function areOneKind(
  stored: MaskList,
  displays: ReadonlyMap<string, MaskList> | undefined,
  alsoRead: MaskList | undefined,
  path: Path,
  reader: Reader,
): boolean {
  const kind = stored.masks[0]!.kind
  const lists = [
    ['stored', stored],
    ...[...(displays ?? [])].map(([, list]) => ['display', list] as const),
    ...(alsoRead ? ([['also-read', alsoRead]] as const) : []),
  ] as const
  for (const [key, { masks: list }] of lists) {
    const other = list.find((one) => one.kind !== kind || one.kind === 'composite')
    if (!other) continue
    reader.refuse(
      'mask-kind',
      [...path, key],
      other.kind === 'composite'
        ? `The mask "${other.text}" is filled from several fields, so it is no form of one value.`
        : `The mask "${other.text}" holds ${KIND_TITLES[other.kind]}, the stored one ${KIND_TITLES[kind]}.`,
      'Use masks of one kind: all characters, all one number, or all one date.',
    )
    return false
  }
  return true
}

const KIND_TITLES: Record<Mask['kind'], string> = {
  characters: 'characters',
  number: 'a number',
  date: 'a date',
  composite: 'fields',
}

/** What is stored is stored in full. */
export function refusePads(stored: MaskList, path: Path, reader: Reader): void {
  for (const one of stored.masks) {
    for (const slot of one.program.slots) {
      if (slot.pad === undefined && slot.hide === undefined) continue
      const option = slot.pad === undefined ? 'hide' : 'pad'
      reader.refuse(
        `${option}-stored`,
        path,
        `"${option}" has no place in a stored mask: what is stored is stored in full.`,
        option === 'pad'
          ? 'Give the width that is stored, and use "pad" in the display mask; or set zeros: padding.'
          : 'Use "hide" in the display mask.',
        { offset: slot.at },
      )
    }
  }
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
