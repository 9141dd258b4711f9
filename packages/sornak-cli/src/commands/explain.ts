// sornak explain: a mask, an identifier, a check digit, a finding or a channel in plain words; with a
// value, why it fits or why not.

import {
  CHANNELS,
  FINDINGS,
  hidesAnything,
  judge,
  sayer,
  why,
  type Definition,
  type FindingCode,
  SCHEMES,
} from 'sornak'
import { maskLines, maskValue } from './explain-mask.js'
import { schemeLines, schemeValue } from './explain-scheme.js'
import type { Explained } from '../explained.js'
import { openOutput } from '../output.js'
import { STATUS, usage } from '../stop.js'
import { subjectOf } from '../subject.js'

export interface ExplainFlags {
  readonly rules?: string
  readonly reveal?: boolean
  readonly out?: string
}

export function explain(text: string, value: string | undefined, flags: ExplainFlags): number {
  const output = openOutput(flags.out)
  const lines = linesFor(text, value, flags)
  output.write(`${lines.lines.join('\n')}\n`)
  output.finish()
  return lines.status
}

function linesFor(text: string, value: string | undefined, flags: ExplainFlags): Explained {
  const finding = text in FINDINGS ? (text as FindingCode) : undefined
  const channel = CHANNELS.get(text)
  if ((finding || channel) && value !== undefined)
    throw usage(
      `"${text}" takes no value to explain.`,
      'Name an identifier or a mask before the value.',
    )
  if (finding || channel)
    return {
      lines: [...(finding ? findingLines(finding) : []), ...(channel ? channelLines(text) : [])],
      status: STATUS.fine,
    }
  const scheme = SCHEMES.get(text)
  if (scheme)
    return value === undefined
      ? { lines: schemeLines(scheme), status: STATUS.fine }
      : schemeValue(scheme, value)
  const subject = subjectOf(text, flags.rules)
  if (subject.kind === 'mask')
    return value === undefined
      ? { lines: maskLines(subject.mask), status: STATUS.fine }
      : maskValue(subject.mask, value)
  return value === undefined
    ? { lines: definitionLines(subject.definition), status: STATUS.fine }
    : identifierValue(subject.definition, value, flags.reveal === true)
}

function findingLines(code: FindingCode): string[] {
  const { title, what, looks, next } = FINDINGS[code]
  const channels = [...CHANNELS.values()].filter((channel) => channel.finding === code)
  return [
    `${title} (${code})`,
    `  ${what}`,
    `  Looks like: ${looks}`,
    ...channels.map(({ id, met }) => `  Done by ${id}: ${met}.`),
    `  Next: ${next}`,
  ]
}

function channelLines(id: string): string[] {
  const { title, describe, met, prevent, example, finding, forms } = CHANNELS.get(id)!
  return [
    `${title} (${id})`,
    `  ${describe}`,
    `  Example: ${example.before} becomes ${example.after}`,
    `  Met in: ${met}.`,
    `  Prevent: ${prevent}`,
    `  Finding: ${finding}`,
    `  Forms, for hand-overs in the rules file: ${forms.join(', ')}.`,
  ]
}

function definitionLines(definition: Definition): string[] {
  const {
    key,
    title,
    note,
    cites,
    stored,
    displays,
    alsoRead,
    check,
    never,
    only,
    zeros,
    sensitivity,
    samples,
  } = definition
  const texts = (list: Definition['stored']) => list.masks.map(({ text }) => text).join('   or   ')
  const lines = [`${title} (${key})`]
  if (note !== undefined) lines.push(`  ${note}`)
  lines.push(`  Stored:  ${texts(stored)}`)
  for (const mask of stored.masks) lines.push(`           ${mask.explain()}`)
  for (const [name, list] of displays) {
    if (list !== stored)
      lines.push(`  Shown${name === 'display' ? '' : ` (${name})`}:  ${texts(list)}`)
  }
  if (alsoRead) lines.push(`  Also read:  ${texts(alsoRead)}`)
  lines.push(
    zeros === 'padding'
      ? '  Zeros at the front are padding: 042 and 42 are the same value.'
      : '  Zeros at the front belong to it.',
  )
  if (check) lines.push(`  Check digit: ${check.scheme.title} (${check.scheme.cites})`)
  for (const { part, ranges } of never) lines.push(`  Never: ${part} ${rangesText(ranges)}`)
  for (const { part, ranges } of only) lines.push(`  Only: ${part} ${rangesText(ranges)}`)
  lines.push(`  Sensitivity: ${sensitivity}`)
  if (samples.fits.length) lines.push(`  Fits: ${samples.fits.join(', ')}`)
  if (samples.doesNotFit.length) lines.push(`  Does not fit: ${samples.doesNotFit.join(', ')}`)
  if (cites !== undefined) lines.push(`  Source: ${cites}`)
  return lines
}

const rangesText = (ranges: readonly { low: string; high: string }[]) =>
  ranges.map(({ low, high }) => (low === high ? low : `${low} to ${high}`)).join(', ')

function identifierValue(definition: Definition, value: string, reveal: boolean): Explained {
  const judgement = judge(definition, value, 10)
  const say = sayer(definition, reveal)
  const lines = [
    `${definition.title} (${definition.key})`,
    `  Value:    ${say(value)}`,
    `  Verdict:  ${judgement.verdict}`,
  ]
  if (judgement.findings.length) lines.push(`  Findings: ${judgement.findings.join(', ')}`)
  const reason = why(
    reveal ? { ...definition, reveal: { first: Infinity, last: 0 } } : definition,
    judgement,
    value,
  )
  if (reason) lines.push(`  Why:      ${reason}`)
  if (judgement.verdict === 'intact') {
    for (const [name, list] of definition.displays) {
      const read = definition.stored.read(value, { strict: true })
      const shown = read.ok ? list.show(read.plain) : undefined
      if (shown?.ok)
        lines.push(`  Shown:    ${say(shown.text)}${name === 'display' ? '' : `  (${name})`}`)
    }
  }
  if (judgement.mend !== undefined)
    lines.push(`  Mend:     ${say(judgement.mend)}  (${judgement.proof})`)
  if (judgement.verdict === 'ambiguous') {
    const secret = definition.sensitivity === 'secret' && !reveal
    if (!secret)
      for (const { text, odds } of judgement.candidates)
        lines.push(`  Perhaps:  ${say(text)}  ${(odds * 100).toFixed(1)}%`)
  }
  if (!reveal && hidesAnything(definition.reveal))
    lines.push('  Hidden as the definition says; --reveal shows it.')
  return {
    lines,
    status:
      judgement.verdict === 'intact' || judgement.verdict === 'blank'
        ? STATUS.fine
        : STATUS.findings,
  }
}
