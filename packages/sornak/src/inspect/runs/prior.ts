// How likely a process is by itself, beside digits that were read as a number: as the weights of values have it.

import type { Space } from '../../identifier/space.js'
import { frontWeight } from '../ways/front-weight.js'
import { SIXTEEN } from '../ways/from-sixteen.js'
import { CARELESS, FEWER_DECIMALS, PERCENT_OF } from '../ways/hypothesis.js'
import { isShortening, weightOf } from '../ways/shortening.js'
import { EACH, THROUGHOUT, TOGETHER } from '../ways/weights.js'

/** How often it is met for each time that digits were read as a number. */
export function prior(id: string): number {
  if (id.startsWith('wrapped')) return TOGETHER.wrapped
  if (id.startsWith('clamped')) return THROUGHOUT
  if (id.startsWith('octal')) return TOGETHER.otherBase
  if (id === SIXTEEN) return TOGETHER.sixteen
  if (id.startsWith('cut-short')) return TOGETHER.cutShort
  if (id === 'short-display') return EACH.shortPlain
  if (isShortening(id) || id === 'thousands') return weightOf(id)
  if (id === 'binary16') return TOGETHER.binary16
  if (id === 'binary32') return EACH.binary32
  if (id === 'binary80') return EACH.binary80
  if (id === PERCENT_OF) return EACH.percentOf
  if (id === CARELESS) return TOGETHER.carelessly
  if (id === 'repadded') return EACH.repadded
  if (id === FEWER_DECIMALS) return TOGETHER.fewerDecimals
  if (id === 'sign') return TOGETHER.signGained
  return 1
}

/** The same, with a reader that stops: how likely that is the shape of values tells. */
export const priorIn = (space: Space, id: string): number =>
  id === 'front' ? frontWeight(space) : prior(id)

/** The same in bits, of which rows must say as many for it to be as likely. */
export const rarity = (id: string): number => -Math.log2(prior(id))
