// Whether a file is meant by the `in` of a rules file. A pattern without a slash speaks of the file's
// base name, one with a slash of its path relative to the rules file. What stands behind a `#` speaks of a
// sheet or table in it.

/** @param sheet undefined where any will do */
export function meansFile(pattern: string, path: string, sheet?: string): boolean {
  const [file = '', wanted] = pattern.split('#')
  if (wanted !== undefined && sheet !== undefined && !matches(wanted, sheet)) return false
  const subject = file.includes('/') ? path : path.slice(path.lastIndexOf('/') + 1)
  return matches(file, subject)
}

// `*` any characters, `?` one; linear with one step back to the last star.
function matches(pattern: string, text: string): boolean {
  let p = 0
  let star = -1
  let mark = 0
  for (let t = 0; t < text.length;) {
    if (pattern[p] === '*') {
      star = p++
      mark = t
    } else if (pattern[p] === '?' || pattern[p] === text[t]) {
      p++
      t++
    } else if (star >= 0) {
      p = star + 1
      t = ++mark
    } else return false
  }
  while (pattern[p] === '*') p++
  return p === pattern.length
}
