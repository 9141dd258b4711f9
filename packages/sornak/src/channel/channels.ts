// All channels by name, in the order in which they act on a value.

import type { Channel } from './channel.js'
import { binary64 } from './binary64.js'
import { decimalTail } from './decimal-tail.js'
import { evaluated } from './evaluated.js'
import { exponentForm, shortDisplay } from './exponent.js'
import { fifteenDigits } from './fifteen-digits.js'
import { grouping } from './grouping.js'
import { lookAlike } from './look-alike.js'
import { numberRead } from './number-read.js'
import { foreignDigit, hiddenCharacter, strayMark } from './text-marks.js'

export const CHANNELS: ReadonlyMap<string, Channel> = new Map(
  [
    numberRead,
    evaluated,
    fifteenDigits,
    binary64,
    exponentForm,
    shortDisplay,
    decimalTail,
    grouping,
    strayMark,
    hiddenCharacter,
    foreignDigit,
    lookAlike,
  ].map((channel) => [channel.id, channel]),
)
