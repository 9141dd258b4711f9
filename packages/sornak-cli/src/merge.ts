// Of several runs in order the whole in order: the least of their heads, again and again.

export function merged<T>(
  runs: readonly Iterator<T>[],
  compare: (a: T, b: T) => number,
  visit: (one: T) => void,
): void {
  const heads: { one: T; run: Iterator<T> }[] = []
  const take = (run: Iterator<T>) => {
    const next = run.next()
    if (next.done === true) return
    const one = next.value
    let [low, high] = [0, heads.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (compare(heads[middle]!.one, one) <= 0) low = middle + 1
      else high = middle
    }
    heads.splice(low, 0, { one, run })
  }
  runs.forEach(take)
  for (let head = heads.shift(); head; head = heads.shift()) {
    visit(head.one)
    take(head.run)
  }
}
