// The nearest known word to a mistyped one, by edits (Damerau-Levenshtein, optimal alignment). Only
// a clear winner is offered: a doubtful suggestion is worse than none.

/** The one word within a third of its length in edits, or undefined where none or several are. */
export function nearest(word: string, known: readonly string[]): string | undefined {
  const lower = word.toLowerCase()
  const ranked = known
    .map((candidate) => ({ candidate, edits: edits(lower, candidate.toLowerCase()) }))
    .filter(({ candidate, edits }) => edits <= Math.max(1, Math.floor(candidate.length / 3)))
    .sort((a, b) => a.edits - b.edits)
  const [best, second] = ranked
  return best && (!second || second.edits > best.edits) ? best.candidate : undefined
}

function edits(a: string, b: string): number {
  let before: number[] = []
  let last = Array.from({ length: b.length + 1 }, (_, j) => j)
  for (let i = 1; i <= a.length; i++) {
    const row = [i]
    for (let j = 1; j <= b.length; j++) {
      const change = last[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1)
      let cost = Math.min(change, last[j]! + 1, row[j - 1]! + 1)
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) {
        cost = Math.min(cost, before[j - 2]! + 1)
      }
      row.push(cost)
    }
    before = last
    last = row
  }
  return last[b.length]!
}
