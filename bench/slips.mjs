// Slips in typing, as people make them: a digit that is wrong, two that changed places, one left out, one doubled, one too many.

const SLIPS = [
  (text, at, digit) => text.slice(0, at) + digit + text.slice(at + 1),
  (text, at) =>
    text.slice(0, at) +
    text
      .slice(at, at + 2)
      .split('')
      .reverse()
      .join('') +
    text.slice(at + 2),
  (text, at) => text.slice(0, at) + text.slice(at + 1),
  (text, at) => text.slice(0, at) + text[at] + text.slice(at),
  (text, at, digit) => text.slice(0, at) + digit + text.slice(at),
]

/** The text with one slip; it may come out as it was. */
export const mistyped = (text, random) =>
  SLIPS[random(SLIPS.length)](text, random(text.length), `${random(10)}`)
