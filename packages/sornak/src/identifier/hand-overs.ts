// Hand-overs of the steward's own: channels in the order in which they act, checked by their names.

import { nearest } from '../words/nearest.js'
import { isMap, missing, type Path, type PlainMap, type Reader } from './plain.js'

/** Conversions in the order in which they happen. */
export interface OwnHandOver {
  readonly id: string
  readonly title: string
  readonly passages: readonly { readonly channel: string; readonly form: string }[]
}

export function readHandOvers(
  top: PlainMap,
  channels: ReadonlyMap<string, readonly string[]>,
  read: Reader,
): Map<string, OwnHandOver> {
  const found = new Map<string, OwnHandOver>()
  if (top['hand-overs'] === undefined) return found
  const map = read.map(top['hand-overs'], ['hand-overs'], 'hand-overs by name')
  for (const [id, value] of Object.entries(map ?? {})) {
    const path = ['hand-overs', id]
    const long = isMap(value)
    if (long) read.keys(value, ['title', 'through'], path)
    const title =
      long && value['title'] !== undefined ? read.text(value['title'], [...path, 'title']) : id
    const list = long ? value['through'] : value
    const at = long ? [...path, 'through'] : path
    const texts = list === undefined ? missing('through', path, read) : read.texts(list, at)
    const passages = (texts ?? []).flatMap((text, i) =>
      passageOf(text, Array.isArray(list) ? [...at, i] : at, channels, read),
    )
    found.set(id, { id, title: title ?? id, passages })
  }
  return found
}

// `binary64`, or `binary64: all digits` for one of its forms.
function passageOf(
  text: string,
  path: Path,
  channels: ReadonlyMap<string, readonly string[]>,
  read: Reader,
): { channel: string; form: string }[] {
  const [, channel = '', form] = /^([^:]*?)\s*(?::\s*(.*))?$/s.exec(text) ?? []
  const forms = channels.get(channel)
  if (!forms) {
    const near = nearest(channel, [...channels.keys()])
    read.refuse(
      'channel-unknown',
      path,
      `There is no channel "${channel}".`,
      near ? `Did you mean "${near}"?` : `Channels: ${[...channels.keys()].join(', ')}.`,
    )
    return []
  }
  if (form !== undefined && !forms.includes(form)) {
    const near = nearest(form, forms)
    read.refuse(
      'form-unknown',
      path,
      `The channel "${channel}" has no form "${form}".`,
      near ? `Did you mean "${near}"?` : `Its forms: ${forms.join(', ')}.`,
    )
    return []
  }
  return [{ channel, form: form ?? forms[0]! }]
}
