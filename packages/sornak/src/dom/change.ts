// Two texts -> what was replaced by what. Where several answers are possible, the caret tells which.

export interface Change {
  /** The replaced part of the old text, in UTF-16 units. */
  readonly from: number
  readonly to: number
  readonly text: string
}

/**
 * @param caret where the caret stands in the new text: behind what was put in
 */
export function changeBetween(before: string, after: string, caret: number | null): Change {
  const most = Math.min(before.length, after.length)
  const behind = Math.max(0, after.length - Math.max(caret ?? after.length, 0))
  let end = 0
  while (end < Math.min(most, behind) && before.at(-1 - end) === after.at(-1 - end)) end++
  let from = 0
  while (from < most - end && before[from] === after[from]) from++
  return { from, to: before.length - end, text: after.slice(from, after.length - end) }
}
