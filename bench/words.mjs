// What the trials of verdicts share: the words that they are asked with, and figures of a table.

export const asked = new Set(process.argv.slice(2))
/** What stands behind `--name=`. */
export const option = (name) =>
  process.argv.find((word) => word.startsWith(`--${name}=`))?.slice(name.length + 3)
export const numberIn = (name, usual) => Number(option(name) ?? usual)

/** A percentage to two places; a hyphen where there was nothing. */
export const share = (a, b, width = 7) =>
  (b === 0 ? '-' : ((100 * a) / b).toFixed(2)).padStart(width)

// Whoever reads only the head of a table has read enough.
process.stdout.on('error', (problem) => {
  if (problem.code !== 'EPIPE') throw problem
  process.exit()
})
