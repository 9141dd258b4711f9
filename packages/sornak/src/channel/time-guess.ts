// A code with colons that is taken for a time of day: 12:30 becomes 12:30:00, 12:30 PM or 0.520833333, half a day and a bit.

import type { Channel } from './channel.js'

const DAY = 86_400n
const two = (n: bigint) => `${n}`.padStart(2, '0')

export const timeGuess: Channel = {
  id: 'time-guess',
  finding: 'date-made',
  title: 'Taken for a time of day',
  describe:
    'A code that looks like hours and minutes becomes a time of day, or the part of a day that has gone by then.',
  met: 'opening a CSV file in a spreadsheet, pasting into cells, readers that guess times',
  prevent: 'Declare the column as text before the data is read.',
  example: { before: '12:30', after: '12:30:00', form: 'HH:mm:ss' },
  forms: [
    'HH:mm:ss',
    'H:mm:ss',
    'h:mm a',
    'h:mm:ss a',
    'yyyy-MM-dd HH:mm:ss',
    'part of a day',
    'part of a day, six decimals',
  ],
  forward(text, form) {
    const seconds = secondsIn(text)
    if (seconds === undefined) return text
    const hour = seconds / 3600n
    const minutes = two((seconds / 60n) % 60n)
    const behind = `${minutes}:${two(seconds % 60n)}`
    const clock = `${hour % 12n || 12n}`
    const half = hour < 12n ? 'AM' : 'PM'
    switch (form) {
      case 'HH:mm:ss':
        return `${two(hour)}:${behind}`
      case 'H:mm:ss':
        return `${hour}:${behind}`
      case 'h:mm a':
        return `${clock}:${minutes} ${half}`
      case 'h:mm:ss a':
        return `${clock}:${behind} ${half}`
      case 'yyyy-MM-dd HH:mm:ss':
        return `2026-03-07 ${two(hour)}:${behind}`
      case 'part of a day':
        return partOfDay(seconds, FIFTEEN)
      default:
        return partOfDay(seconds, 6)
    }
  },
  inverse(seen) {
    const texts = [
      ...timesSeen(seen).flatMap(codesOf),
      ...timesOfPart(seen).flatMap((second) => codesOf({ second, shown: true })),
    ]
    return texts.length ? [{ kind: 'texts', texts: texts.filter((text) => text !== seen) }] : []
  },
}

function secondsIn(text: string): bigint | undefined {
  const [, hours, minutes, seconds = '0'] = /^(\d{1,2}):(\d\d)(?::(\d\d))?$/.exec(text) ?? []
  if (hours === undefined || minutes === undefined) return undefined
  const [h, m, s] = [BigInt(hours), BigInt(minutes), BigInt(seconds)]
  return h < 24n && m < 60n && s < 60n ? (h * 60n + m) * 60n + s : undefined
}

// As it is printed with so many decimals, zeros at the end dropped.
function partOfDay(seconds: bigint, decimals: number): string {
  const unit = 10n ** BigInt(decimals)
  const rounded = ((seconds * unit * 2n) / DAY + 1n) / 2n
  return `0.${`${rounded}`.padStart(decimals, '0')}`.replace(/\.?0+$/, '')
}

/** A date in front, and what stands behind a time of day. */
const SEEN =
  /^(?:(?:[\w,.\-/]+ +)*[\w,.\-/]+?,?[ T])?(\d{1,2}):(\d\d)(?::(\d\d))?(?:\.0+)?(?:[ \u202f]?([AP])M)?(?: ?(?:Z|GMT|UTC|[+-]00:?00))?(?: \d{4})?$/i

interface Time {
  readonly second: bigint
  /** The second within the minute is shown. */
  readonly shown: boolean
}

function timesSeen(seen: string): Time[] {
  const [, hours, minutes, seconds, half] = SEEN.exec(seen) ?? []
  if (hours === undefined || minutes === undefined) return []
  const ofTwelve = BigInt(hours) % 12n
  if (half !== undefined && BigInt(hours) > 12n) return []
  const hour = half === undefined ? hours : `${/a/i.test(half) ? ofTwelve : ofTwelve + 12n}`
  const second = secondsIn(`${hour}:${minutes}:${seconds ?? '00'}`)
  return second === undefined ? [] : [{ second, shown: seconds !== undefined }]
}

/** Decimals that binary numbers print as they are. */
const FIFTEEN = 15
/** Seconds come out as so many decimals, each as others; where there are fewer, the rest are zeros. */
const EACH_SECOND = 5

// Every second that comes out as this part of a day, behind the number of the day or not, where it is rounded to so many decimals.
function timesOfPart(seen: string): bigint[] {
  const [, fraction] = /^(?:0|[1-9]\d{4})?[.,](\d{1,20})$/.exec(seen) ?? []
  if (fraction === undefined) return seen === '0' ? [0n] : []
  const unit = 10n ** BigInt(fraction.length)
  const part = BigInt(fraction)
  const around = (part * DAY) / unit
  // The last digits of sixteen and more are those of a binary number.
  const isFew = fraction.length < EACH_SECOND
  const ofBinary = 2n * 10n ** BigInt(Math.max(0, fraction.length - FIFTEEN))
  const most = isFew ? 0n : fraction.length > FIFTEEN ? ofBinary : 1n
  return [around - 1n, around, around + 1n].filter((second) => {
    const off = second * unit - part * DAY
    return second >= 0n && second < DAY && 2n * (off < 0n ? -off : off) <= most * DAY
  })
}

function codesOf({ second, shown }: Time): string[] {
  const [hour, minutes] = [second / 3600n, two((second / 60n) % 60n)]
  const short = [`${hour}:${minutes}`, `${two(hour)}:${minutes}`]
  const seconds = shown ? [second % 60n] : Array.from({ length: 60 }, (_, i) => BigInt(i))
  const long = seconds.flatMap((one) => short.map((text) => `${text}:${two(one)}`))
  return [...new Set(second % 60n === 0n ? [...short, ...long] : long)]
}
