// What the trials of verdicts share: the words that they are asked with, and figures of a table.

export const asked = new Set(process.argv.slice(2))
/** What stands behind `--name=`. */
export const option = (name) =>
  process.argv.find((word) => word.startsWith(`--${name}=`))?.slice(name.length + 3)
export const numberIn = (name, usual) => Number(option(name) ?? usual)

/** A percentage to two places; a hyphen where there was nothing. */
export const share = (a, b, width = 7) =>
  (b === 0 ? '-' : ((100 * a) / b).toFixed(2)).padStart(width)

/**
 * The figures as JSON where that is asked for, else the lines that are, else a table with a row for each of them.
 *
 * @param table figures by `kind|title`
 * @param head what stands above the rows
 */
export function report(table, said, head, kinds, row) {
  if (asked.has('--json')) console.log(JSON.stringify(Object.fromEntries(table)))
  else if (said.length > 0) console.log(said.join('\n'))
  else {
    console.log(head.join('\n'))
    for (const kind of kinds)
      for (const [key, figures] of table)
        if (key.split('|')[0] === kind) console.log(row(key.split('|')[1] ?? 'in all', figures))
  }
}

// Whoever reads only the head of a table has read enough.
process.stdout.on('error', (problem) => {
  if (problem.code !== 'EPIPE') throw problem
  process.exit()
})
