// The ranges that a part of a value never has, or only has.

import type { MaskList } from '../mask/list.js'
import type { Node } from '../mask/tree.js'
import { knownPart } from './define-check.js'
import { WHOLE } from './definition.js'
import { isList, type Path, type PlainMap, type Reader } from './plain.js'
import { parseRange, type PartRule, type TextRange } from './ranges.js'

export function readPartRules(
  source: PlainMap,
  key: 'never' | 'only',
  path: Path,
  stored: MaskList,
  reader: Reader,
): PartRule[] {
  const value = source[key]
  if (value === undefined) return []
  const at = [...path, key]
  const map = reader.map(value, at, 'part names')
  if (!map) return []
  return Object.entries(map).flatMap(([part, texts]): PartRule[] => {
    knownPart(part, [...at, part], stored, reader)
    const list = reader.texts(texts, [...at, part])
    if (!list) return []
    const ranges = list.map((text, i): TextRange | undefined => {
      const where = isList(texts) ? [...at, part, i] : [...at, part]
      const range = parseRange(text)
      if ('low' in range) {
        if (canHaveLength(stored, part, range.low.length)) return range
        return reader.refuse(
          'range-width',
          where,
          `"${text}" has ${range.low.length} characters, which "${part}" never has.`,
          'Write as many characters as the part has; leading zeros count.',
        )
      }
      return reader.refuse('range', where, `In "${text}", ${range.wrong}.`, range.todo)
    })
    return ranges.every((one) => one !== undefined) ? [{ part, ranges }] : []
  })
}

function canHaveLength(stored: MaskList, part: string, length: number): boolean {
  return stored.masks.some((one) => {
    if (part === WHOLE) {
      const [min, max] = extent(one.nodes)
      return min <= length && length <= max
    }
    return one.program.slots.some(
      (slot) => slot.name === part && slot.min <= length && length <= slot.max,
    )
  })
}

function extent(nodes: readonly Node[]): [number, number] {
  return nodes.reduce<[number, number]>(
    ([min, max], node) => {
      if (node.kind === 'literal') return [min + node.text.length, max + node.text.length]
      if (node.kind === 'slot') return [min + node.min, max + node.max]
      return node.kind === 'section' ? [min, max + extent(node.nodes)[1]] : [min, Infinity]
    },
    [0, 0],
  )
}
