// A definition -> a regular expression that takes what fits it, as far as regular expressions can say it, and
// what they cannot say.

import { WHOLE, type Definition } from '../identifier/definition.js'
import type { PartRule, TextRange } from '../identifier/ranges.js'
import type { Kind, Node, Slot } from '../mask/tree.js'

export interface Pattern {
  /** Without anchors. */
  readonly source: string
  readonly least: number
  /** Undefined where there is no limit. */
  readonly most: number | undefined
  /** Rules that it leaves out, a sentence each. */
  readonly unsaid: readonly string[]
}

/** ECMA-262 with the flags `u` or `v`, as JSON Schema and HTML have it; or PostgreSQL's. */
export type Dialect = 'ecma' | 'postgres'

export function patternOf(definition: Definition, dialect: Dialect = 'ecma'): Pattern {
  const { stored, never, only, check, key } = definition
  const unsaid: string[] = []
  if (check) unsaid.push(`${key}: the check digit (${check.scheme.title}) is not tested.`)
  const rules = [
    ...never.map((rule) => ({ rule, not: true })),
    ...only.map((rule) => ({ rule, not: false })),
  ]
  const sources = stored.masks.map(({ nodes, kind }) => {
    if (kind !== 'characters') {
      unsaid.push(`${key}: dates and numbers are not tested.`)
      return '.+'
    }
    return sequence(nodes, (slot) => looks(slot, rules, unsaid, key), dialect)
  })
  const whole = rules.filter(({ rule }) => rule.part === WHOLE)
  // Zeros that are padding may be missing, and may be more than the mask has room for.
  const padding = definition.zeros === 'padding' ? stored.masks[0]!.program.slots : []
  if (padding.length) {
    const most = padding.reduce((sum, { max }) => sum + max, 0)
    if (rules.length) unsaid.push(`${key}: what it may never or only be is not tested.`)
    sources.splice(0, 1, `0*[0-9]{1,${Number.isFinite(most) ? most : ''}}`)
  }
  const front = (padding.length ? [] : whole).map(({ rule, not }) => {
    const alternatives = rule.ranges.map((range) => rangeText(range)).join('|')
    return `(?${not ? '!' : '='}(?:${alternatives})$)`
  })
  const widths = stored.masks.map(({ nodes }) => widthOf(nodes))
  const most = Math.max(...widths.map(([, high]) => high))
  return {
    source: front.join('') + (sources.length === 1 ? sources[0]! : `(?:${sources.join('|')})`),
    least: padding.length ? 1 : Math.min(...widths.map(([low]) => low)),
    most: Number.isFinite(most) && !padding.length ? most : undefined,
    unsaid: [...new Set(unsaid)],
  }
}

type Rule = { readonly rule: PartRule; readonly not: boolean }

function sequence(
  nodes: readonly Node[],
  before: (slot: Slot) => string,
  dialect: Dialect,
): string {
  return nodes
    .map((node) => {
      if (node.kind === 'literal') return escaped(node.text)
      if (node.kind === 'section') return `(?:${sequence(node.nodes, before, dialect)})?`
      if (node.kind !== 'slot') return ''
      const { min, max } = node
      const count =
        min === max ? (min === 1 ? '' : `{${min}}`) : `{${min},${max === Infinity ? '' : max}}`
      return `${before(node)}${classOf(node.chars, dialect)}${count}`
    })
    .join('')
}

// What may not stand in a part, or only may, is looked for where the part begins; its width must be fixed.
function looks(slot: Slot, rules: readonly Rule[], unsaid: string[], key: string): string {
  return rules
    .filter(({ rule }) => rule.part === slot.name)
    .map(({ rule, not }) => {
      if (slot.min !== slot.max) {
        unsaid.push(`${key}: what may stand in "${slot.name}" is not tested.`)
        return ''
      }
      const fitting = rule.ranges.filter(({ low }) => low.length === slot.max)
      if (fitting.length === 0) return not ? '' : '(?!)'
      return `(?${not ? '!' : '='}${fitting.map(rangeText).join('|')})`
    })
    .join('')
}

function classOf(kind: Kind, dialect: Dialect): string {
  const posix = dialect === 'postgres'
  switch (kind.kind) {
    case 'digit':
      return '[0-9]'
    case 'hex':
      return '[0-9A-Fa-f]'
    case 'letter':
      return posix ? '[[:alpha:]]' : '\\p{L}'
    case 'upper':
      return posix ? '[[:upper:]]' : '\\p{Lu}'
    case 'lower':
      return posix ? '[[:lower:]]' : '\\p{Ll}'
    case 'alnum':
      return posix ? '[0-9[:alpha:]]' : '[0-9\\p{L}]'
    case 'of':
      return `[${kind.ranges.map(([low, high]) => (low === high ? inClass(low) : `${inClass(low)}-${inClass(high)}`)).join('')}]`
    default:
      return '.'
  }
}

const inClass = (code: number) => {
  const char = String.fromCodePoint(code)
  return /[\\\]^\-[({})/|]/.test(char) ? `\\${char}` : char
}

/** Text that stands for itself in a pattern. */
export const escaped = (text: string): string => text.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&')

//  0450..0812  ->  04[5-9][0-9]|0[5-7][0-9][0-9]|08(?:0[0-9]|1[0-2])
function rangeText({ low, high }: TextRange): string {
  if (low === high) return escaped(low)
  let at = 0
  while (low[at] === high[at]) at++
  const head = escaped(low.slice(0, at))
  return `${head}(?:${between(low.slice(at), high.slice(at)).join('|')})`
}

function between(low: string, high: string): string[] {
  const [a, b] = [low.charCodeAt(0), high.charCodeAt(0)]
  const span = (from: number, to: number) =>
    from === to ? escaped(String.fromCharCode(from)) : `[${inClass(from)}-${inClass(to)}]`
  if (low.length === 1) return [span(a, b)]
  if (a === b) return between(low.slice(1), high.slice(1)).map((rest) => span(a, a) + rest)
  const rest = low.length - 1
  const digits = /^\d+$/.test(low + high)
  const any = (digits ? '[0-9]' : '[ -~]').repeat(rest)
  const [least, most] = digits ? ['0', '9'] : [' ', '~']
  const lowest = low.slice(1) === least.repeat(rest)
  const highest = high.slice(1) === most.repeat(rest)
  const from = lowest ? a : a + 1
  const to = highest ? b : b - 1
  return [
    ...(lowest ? [] : between(low.slice(1), most.repeat(rest)).map((one) => span(a, a) + one)),
    ...(from <= to ? [span(from, to) + any] : []),
    ...(highest ? [] : between(least.repeat(rest), high.slice(1)).map((one) => span(b, b) + one)),
  ]
}

function widthOf(nodes: readonly Node[]): [number, number] {
  let [least, most] = [0, 0]
  for (const node of nodes) {
    if (node.kind === 'literal') {
      least += [...node.text].length
      most += [...node.text].length
    } else if (node.kind === 'section') most += widthOf(node.nodes)[1]
    else if (node.kind === 'slot') {
      least += node.min
      most += node.max
    } else most = Infinity
  }
  return [least, most]
}
