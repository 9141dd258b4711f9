// The channels that processes belong to, and which of them are of one kind.

import type { FindingCode } from '../../channel/channel.js'
import { SIXTEEN } from '../ways/from-sixteen.js'
import { SHOWN_WRAPPED } from '../ways/from-shown.js'
import { FEWER_DECIMALS } from '../ways/hypothesis.js'
import { isShortening } from '../ways/shortening.js'

/** The channel that a process belongs to. */
export function channelOf(process: string): string {
  if (process.startsWith('form ')) return FORM_CHANNELS[process.slice(5)] ?? process.slice(5)
  if (process.startsWith('fifteen')) return 'fifteen-digits'
  if (process.startsWith('octal') || process === 'base-sixty') return 'other-base'
  if (process === SIXTEEN) return 'base-form'
  if (process === 'front') return 'cut-short'
  if (process.startsWith(SHOWN_WRAPPED)) return 'wrapped'
  if (process.startsWith('days from')) return 'day-count'
  if (process === 'thousands' || process === FEWER_DECIMALS) return 'short-display'
  return process.split(' ')[0]!
}

const FORM_CHANNELS: Partial<Record<FindingCode, string>> & Record<string, string> = {
  exponent: 'exponent-form',
  grouped: 'grouping',
  'display-stored': 'display',
}

/** What these print may be round numbers, as some columns have. */
export const printsRound = (process: string): boolean =>
  process === 'short-display' || process === 'thousands' || isShortening(process)

/** It takes digits from numbers. */
export const takesDigits = (process: string): boolean => ROUNDINGS.has(channelOf(process))

/** One channel, or both take digits from numbers. */
export const sameKind = (a: string, b: string): boolean =>
  a === b || (ROUNDINGS.has(a) && ROUNDINGS.has(b))

const ROUNDINGS = new Set([
  'fifteen-digits',
  'binary80',
  'binary64',
  'binary32',
  'binary16',
  'short-display',
])
