// JSON and JSON Lines as tables: a list of objects or of lists, one such list for each key of an object, or
// objects that follow one another. Fields of objects within objects are named with a dot: `address.phone`.

import { unreadable } from '../problem.js'
import { noProgress, type Progress, type Source } from '../source.js'
import type { Cell, Table } from '../table.js'
import { readTokens, type JsonToken } from './tokens.js'

const DEEPEST = 100
const MOST_FIELDS = 16_384

/**
 * Where the records are: `list` in one list from the start, `lines` one after the other, or in the list that
 * stands under a key.
 */
type Shape =
  { readonly kind: 'list' | 'lines' } | { readonly kind: 'keyed'; readonly keys: readonly string[] }

export function jsonTables(source: Source): Table[] {
  const shape = shapeOf(source)
  if (shape.kind === 'keyed') return shape.keys.map((key) => tableOf(source, shape, key))
  return [tableOf(source, shape, undefined)]
}

function tableOf(source: Source, { kind }: Shape, key: string | undefined): Table {
  return {
    name: key,
    placed: 'record',
    types: () => [],
    async read(visit, progress) {
      const fields = new Map<string, number>()
      let lists = false
      readRecords(source, kind, key, noProgress, (record) => {
        if (record.list) lists = true
        else
          for (const name of record.cells.keys())
            if (!fields.has(name)) fields.set(name, fields.size)
        if (fields.size > MOST_FIELDS)
          throw unreadable(`${source.name} has more than ${MOST_FIELDS} fields.`)
      })
      if (fields.size === 0 && !lists) throw unreadable(`${source.name} holds no records.`)
      let row = 0
      if (!lists)
        visit(
          row++,
          [...fields.keys()].map((text) => ({ text })),
        )
      readRecords(source, kind, key, progress, ({ cells, list }) => {
        if (list) return visit(row++, list)
        const line: (Cell | undefined)[] = Array.from({ length: fields.size })
        for (const [name, cell] of cells) line[fields.get(name)!] = cell
        visit(row++, line)
      })
    },
  }
}

interface JsonRecord {
  /** Of an object, by name. */
  readonly cells: ReadonlyMap<string, Cell>
  /** Of a list. */
  readonly list: readonly (Cell | undefined)[] | undefined
}

// Which arrangement a file has is known from its first value, and from whether a second follows it.
function shapeOf(source: Source): Shape {
  let depth = 0
  let first = true
  let values = 0
  let key = ''
  let last: JsonToken | undefined
  let shape: Shape = { kind: 'lines' }
  const keys: string[] = []
  readTokens(
    source,
    (token) => {
      const { kind } = token
      if (first) {
        first = false
        if (kind === '[') {
          // [1,2] alone on a line may be followed by others.
          shape = { kind: 'list' }
          return false
        }
        if (kind !== '{')
          throw unreadable(
            `${source.name} holds one value and no table.`,
            'A list of objects is expected.',
          )
      }
      if (depth === 0 && values++ > 0) return false
      if (depth === 1 && kind === 'string' && last?.kind !== ':') key = token.text
      if (depth === 2 && kind === '{' && last?.kind === '[' && !keys.includes(key)) keys.push(key)
      if (kind === '{' || kind === '[') depth++
      if (kind === '}' || kind === ']') depth--
      last = token
      return true
    },
    noProgress,
  )
  if (shape.kind === 'lines' && values < 2 && keys.length) return { kind: 'keyed', keys }
  return shape
}

function readRecords(
  source: Source,
  kind: Shape['kind'],
  key: string | undefined,
  progress: Progress,
  take: (record: JsonRecord) => void,
): void {
  // How many brackets are open around a record.
  const base = kind === 'lines' ? 0 : kind === 'list' ? 1 : 2
  const stack: Frame[] = []
  let cells = new Map<string, Cell>()
  let list: (Cell | undefined)[] | undefined
  const inRecord = () => stack.length > base && (base < 2 || stack[0]!.key === key)
  const put = (cell: Cell | undefined) => {
    const frames = stack.slice(base)
    const top = frames.at(-1)!
    if (frames.length === 1 && top.list) list!.push(cell)
    else if (cell) cells.set(frames.map((frame) => frame.key).join('.'), cell)
  }
  readTokens(
    source,
    (token) => {
      const top = stack.at(-1)
      switch (token.kind) {
        case '{':
        case '[': {
          if (stack.length >= DEEPEST)
            throw unreadable(`${source.name} is nested more than ${DEEPEST} levels deep.`)
          if (stack.length === base) {
            cells = new Map()
            list = token.kind === '[' ? [] : undefined
          }
          stack.push({ list: token.kind === '[', key: '', items: 0, named: false })
          break
        }
        case '}':
        case ']': {
          stack.pop()
          if (stack.length === base && (base < 2 || stack[0]?.key === key)) take({ cells, list })
          break
        }
        case ':':
          top!.named = true
          break
        case ',':
          if (!top) break
          top.named = false
          // Items of a list within a record are numbered: `phones.1`, `phones.2`.
          if (top.list) top.items++
          break
        default: {
          if (top && !top.list && !top.named) {
            top.key = token.text
            break
          }
          if (top?.list && stack.length > base + 1) top.key = `${top.items + 1}`
          if (inRecord()) put(cellOf(token))
          else if (stack.length === base && (base < 2 || stack[0]?.key === key))
            throw unreadable(
              `${source.name} holds single values where records belong.`,
              'A list of objects is expected.',
            )
        }
      }
      return undefined
    },
    progress,
  )
  if (stack.length) throw unreadable(`${source.name} is cut short.`, 'Fetch the file again.')
}

interface Frame {
  readonly list: boolean
  key: string
  items: number
  /** Its key has been read and its value follows. */
  named: boolean
}

function cellOf(token: JsonToken): Cell | undefined {
  if (token.kind === 'string') return { text: token.text }
  if (token.kind === 'number') return { text: token.text, as: 'number' }
  if (token.kind === 'word' && token.text !== 'null') return { text: token.text, as: 'boolean' }
  return undefined
}
