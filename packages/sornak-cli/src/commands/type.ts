// sornak type: keys replayed into a field, a line for each state, so that a mask can be tried without a page.

import { maskList, type Paint } from 'sornak'
import { entry, type Edit, type State } from 'sornak/entry'
import { openOutput } from '../output.js'
import { paintFor } from '../paint.js'
import { STATUS, usage } from '../stop.js'
import { maskOrStop, subjectOf } from '../subject.js'

export interface TypeFlags {
  readonly rules?: string
  readonly or?: readonly string[]
  readonly country?: string
  readonly format: string
  readonly out?: string
  readonly color?: boolean
}

/** Keys that are not characters, by the word between angle brackets. */
const KEYS: Readonly<Record<string, Edit | ((state: State) => Edit)>> = {
  back: { kind: 'delete' },
  delete: { kind: 'delete', to: 'forward' },
  word: { kind: 'delete', by: 'word' },
  left: ({ from, to }) => ({ kind: 'select', from: from < to ? from : from - 1 }),
  right: ({ from, to }) => ({ kind: 'select', from: from < to ? to : from + 1 }),
  home: { kind: 'select', from: 0 },
  end: ({ text }) => ({ kind: 'select', from: text.length }),
  all: ({ text }) => ({ kind: 'select', from: 0, to: text.length }),
  cut: { kind: 'cut' },
  undo: { kind: 'undo' },
  redo: { kind: 'redo' },
  leave: { kind: 'leave' },
}

interface Key {
  readonly name: string
  readonly edit: Edit | ((state: State) => Edit)
}

export function type(text: string, keys: string, flags: TypeFlags): number {
  if (flags.format !== 'text' && flags.format !== 'jsonl')
    throw usage(`--format cannot be "${flags.format}".`, 'Write one of: text, jsonl.')
  const made = fieldFor(text, flags)
  const output = openOutput(flags.out)
  const paint = paintFor(process.stdout, flags.color !== false && flags.out === undefined)
  const states: (State & { key: string })[] = [{ ...made.start, key: '' }]
  for (const { name, edit } of keysOf(keys)) {
    const before = states.at(-1)!
    states.push({
      ...made.edit(before, typeof edit === 'function' ? edit(before) : edit),
      key: name,
    })
  }
  output.write(
    flags.format === 'jsonl' ? states.map(asLine).join('') : asTable(states, paint, made.stored),
  )
  output.finish()
  const refused = states.some((state) => state.refused)
  return refused || states.at(-1)!.status === 'misfit' ? STATUS.findings : STATUS.fine
}

function fieldFor(text: string, { rules, or = [], country }: TypeFlags) {
  const subject = subjectOf(text, rules)
  const options = country === undefined ? {} : { country }
  try {
    if (subject.kind === 'identifier') return entry(subject.definition, options)
    const texts = [subject.mask, ...or.map(maskOrStop)].map((mask) => mask.text)
    return entry(texts.length === 1 ? subject.mask : maskList(texts), options)
  } catch (error) {
    if (error instanceof RangeError) throw usage(error.message, '')
    throw error
  }
}

//  206<Back>5<Paste 55-01>   a character each, words in angle brackets, << for a bracket
function keysOf(text: string): Key[] {
  const keys: Key[] = []
  for (let at = 0; at < text.length;) {
    const word = /^<([A-Za-z]+)(?: ([^>]*))?>/.exec(text.slice(at))
    if (text.startsWith('<<', at)) {
      keys.push({ name: '<', edit: { kind: 'type', text: '<' } })
      at += 2
    } else if (word) {
      keys.push(keyOf(word[1]!, word[2]))
      at += word[0].length
    } else {
      const char = String.fromCodePoint(text.codePointAt(at)!)
      keys.push({ name: char === ' ' ? 'Space' : char, edit: { kind: 'type', text: char } })
      at += char.length
    }
  }
  return keys
}

function keyOf(word: string, argument: string | undefined): Key {
  const name = word.toLowerCase()
  if ((name === 'paste' || name === 'set') && argument !== undefined)
    return { name: `${word} ${argument}`, edit: { kind: name, text: argument } }
  const edit = Object.hasOwn(KEYS, name) ? KEYS[name] : undefined
  if (!edit || argument !== undefined) {
    const known = Object.keys(KEYS).map((key) => `<${key}>`)
    throw usage(
      `There is no key <${word}${argument === undefined ? '' : ` ${argument}`}>.`,
      `Write one of: ${known.join(' ')} <paste TEXT> <set TEXT>; "<<" for a plain bracket.`,
    )
  }
  return { name: word, edit }
}

const field = ({ text, from, to }: State) =>
  from === to
    ? `${text.slice(0, from)}|${text.slice(from)}`
    : `${text.slice(0, from)}[${text.slice(from, to)}]${text.slice(to)}`

function asTable(
  states: readonly (State & { key: string })[],
  paint: Paint,
  stored: (plain: string) => string,
): string {
  const width = (cells: readonly string[]) => Math.max(...cells.map((cell) => [...cell].length))
  const keys = width(['key', ...states.map(({ key }) => key)])
  const fields = width(states.map((state) => field(state) + state.rest))
  const plains = width(['value', ...states.map(({ plain }) => plain)])
  const pad = (text: string, size: number, shown = text) =>
    shown + ' '.repeat(Math.max(0, size - [...text].length))
  const lines = states.map((state) => {
    const { key, status, plain, rest, refused, problem } = state
    const said = refused ?? problem
    const mood = status === 'complete' ? paint.good : status === 'misfit' ? paint.bad : paint.quiet
    const drawn = field(state)
    return [
      pad(key, keys),
      pad(drawn + rest, fields, drawn + paint.quiet(rest)),
      pad(status, 8, mood(status)),
      pad(plain, plains),
      said ? paint.warn(said.message) : '',
    ]
      .join('  ')
      .trimEnd()
  })
  const head = [pad('key', keys), pad('field', fields), pad('status', 8), 'value']
  const last = states.at(-1)!
  const kept = last.status === 'complete' ? stored(last.plain) : undefined
  const closing = kept === undefined || kept === last.plain ? '' : `\nStored as ${kept}.\n`
  return `${paint.strong(head.join('  '))}\n${lines.join('\n')}\n${closing}`
}

function asLine({
  key,
  text,
  from,
  to,
  plain,
  status,
  expected,
  outline,
  refused,
  problem,
}: State & { key: string }): string {
  return `${JSON.stringify({
    key,
    text,
    from,
    to,
    plain,
    status,
    expected,
    outline,
    ...(refused && { refused }),
    ...(problem && { problem }),
  })}\n`
}
