// All channels by name, in the order in which they act on a value.

import { arithmetic } from './arithmetic.js'
import { baseForm } from './base-form.js'
import { binary16, binary32, binary64, binary80 } from './binary-types.js'
import type { Channel } from './channel.js'
import { cutShort } from './cut-short.js'
import { dateGuess } from './date-guess.js'
import { dayCount } from './day-count.js'
import { decimalTail } from './decimal-tail.js'
import { evaluated } from './evaluated.js'
import { exponentForm, shortDisplay } from './exponent.js'
import { fifteenDigits } from './fifteen-digits.js'
import { grouping } from './grouping.js'
import { clamped, wrapped } from './integer-limits.js'
import { label } from './label.js'
import { letterCase } from './letter-case.js'
import { lookAlike } from './look-alike.js'
import { numberRead } from './number-read.js'
import { otherBase } from './other-base.js'
import { scaled } from './scaled.js'
import { sign } from './sign.js'
import { foreignDigit, hiddenCharacter, strayMark } from './text-marks.js'
import { timeGuess } from './time-guess.js'

export const CHANNELS: ReadonlyMap<string, Channel> = new Map(
  [
    numberRead,
    evaluated,
    arithmetic,
    otherBase,
    dateGuess,
    dayCount,
    timeGuess,
    sign,
    wrapped,
    clamped,
    fifteenDigits,
    binary80,
    binary64,
    binary32,
    binary16,
    exponentForm,
    shortDisplay,
    baseForm,
    decimalTail,
    grouping,
    scaled,
    cutShort,
    strayMark,
    label,
    hiddenCharacter,
    foreignDigit,
    lookAlike,
    letterCase,
  ].map((channel) => [channel.id, channel]),
)
