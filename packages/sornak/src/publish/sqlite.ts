// A CHECK for SQLite, which has no regular expressions of its own: one GLOB for each way to fill the slots, and
// comparisons of parts, in the order of bytes.

import { WHOLE, type Definition } from '../identifier/definition.js'
import type { Kind, Node, Slot } from '../mask/tree.js'

const MOST_WAYS = 64

/** One way to fill a mask: its GLOB, and where its named parts stand. */
interface Way {
  readonly glob: string
  readonly length: number
  readonly parts: readonly {
    readonly name: string
    readonly from: number
    readonly width: number
  }[]
}

export function sqliteCheck(
  definition: Definition,
  column: string,
): { readonly check: string; readonly notes: readonly string[] } {
  const { key, stored, check, never, only } = definition
  const notes: string[] = []
  if (check) notes.push(`${key}: the check digit (${check.scheme.title}) is not tested.`)
  if (definition.zeros === 'padding') {
    const most = stored.masks[0]!.program.slots.reduce((sum, { max }) => sum + max, 0)
    if (never.length || only.length)
      notes.push(`${key}: what it may never or only be is not tested.`)
    const short = Number.isFinite(most) ? ` AND length(ltrim(${column}, '0')) <= ${most}` : ''
    return { check: `${column} GLOB '[0-9]*' AND ${column} NOT GLOB '*[^0-9]*'${short}`, notes }
  }
  const ways = stored.masks.flatMap(({ nodes, kind }) => {
    const found = kind === 'characters' ? waysOf(nodes) : undefined
    if (!found) notes.push(`${key}: only the length is tested.`)
    return found ?? [{ glob: '?*', length: 0, parts: [] }]
  })
  if (
    stored.masks.some(({ program }) =>
      program.slots.some(({ chars }) => ['letter', 'upper', 'lower', 'alnum'].includes(chars.kind)),
    )
  )
    notes.push(`${key}: letters are tested as those of ASCII.`)
  const tests = ways.map(({ glob, parts }) => {
    const rules = [
      ...never.map((rule) => ({ rule, not: 'NOT ' })),
      ...only.map((rule) => ({ rule, not: '' })),
    ].flatMap(({ rule, not }) => {
      const part = rule.part === WHOLE ? undefined : parts.find(({ name }) => name === rule.part)
      if (rule.part !== WHOLE && !part) return []
      const text = part ? `substr(${column}, ${part.from + 1}, ${part.width})` : column
      const fitting = rule.ranges.filter(({ low }) => !part || low.length === part.width)
      const any = fitting.map(
        ({ low, high }) =>
          `(length(${text}) = ${low.length} AND ${text} BETWEEN ${sqlText(low)} AND ${sqlText(high)})`,
      )
      return any.length ? [`${not}(${any.join(' OR ')})`] : not ? [] : ['0']
    })
    return [`${column} GLOB ${sqlText(glob)}`, ...rules].join(' AND ')
  })
  return { check: tests.map((test) => `(${test})`).join(' OR '), notes: [...new Set(notes)] }
}

/** A text literal of SQL (ISO/IEC 9075). */
export const sqlText = (text: string): string => `'${text.replaceAll("'", "''")}'`

function waysOf(nodes: readonly Node[]): Way[] | undefined {
  let ways: Way[] = [{ glob: '', length: 0, parts: [] }]
  for (const node of nodes) {
    const next: Way[] = []
    for (const way of ways) {
      if (node.kind === 'literal')
        next.push(longer(way, [...node.text].map(globChar).join(''), [...node.text].length))
      else if (node.kind === 'section') {
        const inner = waysOf(node.nodes)
        if (!inner) return undefined
        next.push(way)
        for (const one of inner)
          next.push({
            glob: way.glob + one.glob,
            length: way.length + one.length,
            parts: [
              ...way.parts,
              ...one.parts.map((part) => ({ ...part, from: part.from + way.length })),
            ],
          })
      } else if (node.kind === 'slot') {
        if (node.max === Infinity) return undefined
        for (let count = node.min; count <= node.max; count++) next.push(filled(way, node, count))
      } else return undefined
    }
    ways = next
    if (ways.length > MOST_WAYS) return undefined
  }
  return ways
}

const longer = ({ glob, length, parts }: Way, more: string, count: number): Way => ({
  glob: glob + more,
  length: length + count,
  parts,
})

function filled(way: Way, slot: Slot, count: number): Way {
  const part = slot.name === undefined ? [] : [{ name: slot.name, from: way.length, width: count }]
  const next = longer(way, globClass(slot.chars).repeat(count), count)
  return { ...next, parts: [...way.parts, ...part] }
}

function globClass(kind: Kind): string {
  switch (kind.kind) {
    case 'digit':
      return '[0-9]'
    case 'hex':
      return '[0-9A-Fa-f]'
    case 'letter':
      return '[A-Za-z]'
    case 'upper':
      return '[A-Z]'
    case 'lower':
      return '[a-z]'
    case 'alnum':
      return '[0-9A-Za-z]'
    case 'of': {
      // A closing bracket stands first, a hyphen last.
      const chars = kind.ranges.map(([low, high]) =>
        low === high
          ? String.fromCodePoint(low)
          : `${String.fromCodePoint(low)}-${String.fromCodePoint(high)}`,
      )
      const order = (text: string) => (text === ']' ? 0 : text === '-' ? 2 : 1)
      return `[${chars.sort((a, b) => order(a) - order(b)).join('')}]`
    }
    default:
      return '?'
  }
}

const globChar = (char: string) => (/[*?[\]]/.test(char) ? `[${char}]` : char)
