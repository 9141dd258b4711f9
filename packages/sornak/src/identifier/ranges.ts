// The texts that `never` and `only` speak of: exact texts and `a..b` ranges, both ends included.
// A range compares texts of equal length, so "900..999" says nothing of "0900".

export interface TextRange {
  readonly low: string
  readonly high: string
}

/** A rule on one named part of the stored masks, or on the whole stored text. */
export interface PartRule {
  readonly part: string
  readonly ranges: readonly TextRange[]
}

/** The range a text stands for, or what is wrong with it. */
export function parseRange(
  text: string,
): TextRange | { readonly wrong: string; readonly todo: string } {
  const dots = text.indexOf('..')
  if (text === '')
    return { wrong: 'an empty text matches nothing', todo: 'Write the text to match.' }
  if (dots < 0) return { low: text, high: text }
  const low = text.slice(0, dots)
  const high = text.slice(dots + 2)
  if (low.length !== high.length) {
    return {
      wrong: `"${low}" and "${high}" have different lengths`,
      todo: `Write both ends with the same number of characters, such as "${low.padStart(high.length, '0')}..${high}".`,
    }
  }
  if (high < low) return { wrong: 'the range runs backwards', todo: `Write "${high}..${low}".` }
  return { low, high }
}

export function inRanges(text: string, ranges: readonly TextRange[]): boolean {
  return ranges.some(({ low, high }) => text.length === low.length && low <= text && text <= high)
}
