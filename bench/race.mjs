// Runs ways of doing the same work in turns and compares them within one run: ratios of medians, so that
// a busy machine slows all of them alike.

const now = () => process.hrtime.bigint()

/**
 * @param {string} title
 * @param {readonly unknown[]} inputs
 * @param {Record<string, (input: any) => string>} ways the first is the measure of the others
 */
export function race(title, inputs, ways, { rounds = 15, repeats = 20 } = {}) {
  const names = Object.keys(ways)
  const times = new Map(names.map((name) => [name, []]))
  const sums = new Map(names.map((name) => [name, 0]))
  for (let round = 0; round < rounds + 3; round++) {
    const order = [...names.slice(round % names.length), ...names.slice(0, round % names.length)]
    for (const name of order) {
      const way = ways[name]
      const start = now()
      let sum = 0
      for (let again = 0; again < repeats; again++) sum += readAll(way, inputs)
      const took = Number(now() - start)
      sums.set(name, sum)
      // The first rounds warm the engine up.
      if (round >= 3) times.get(name).push(took / (inputs.length * repeats))
    }
  }
  const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1]
  const base = median(times.get(names[0]))
  console.log(`\n${title}`)
  for (const name of names) {
    const own = median(times.get(name))
    console.log(
      `  ${name.padEnd(34)} ${own.toFixed(0).padStart(6)} ns   ${(base / own).toFixed(2).padStart(5)} x`,
    )
  }
  if (new Set(sums.values()).size > 1 && !title.includes('*'))
    console.log(
      `  these do not all print the same: ${[...sums].map((one) => one.join(' ')).join(', ')}`,
    )
}

// Every character is read, or the engine would put off joining the text.
function readAll(way, inputs) {
  let sum = 0
  for (let i = 0; i < inputs.length; i++) {
    const text = way(inputs[i])
    for (let at = 0; at < text.length; at++) sum = (sum + text.charCodeAt(at)) | 0
  }
  return sum
}
