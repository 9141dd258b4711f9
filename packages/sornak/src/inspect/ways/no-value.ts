// Texts that stand in place of a value.

/** Blank, or a word or mark that stands in place of a value. */
export function saysNothing(seen: string): boolean {
  return isBlank(seen) || isMissing(seen) || isOverflow(seen)
}

export const isBlank = (seen: string): boolean => BLANK.test(seen)

/** A word that says that there is no value: `NULL`, `NaN`, `#N/A`. */
export const isMissing = (seen: string): boolean => MISSING.test(seen.trim())

/** A mark that there was more than could be shown: `#####`, `*****`, `inf`. */
export const isOverflow = (seen: string): boolean => OVERFLOW.test(seen.trim())

const BLANK = /^\s*$/u
const MISSING =
  /^(?:null|\(null\)|none|nan|nil|na|n\/a|#n\/a|#na|<na>|nat|\\n|undefined|-?1\.#ind|-nan)$/i
const OVERFLOW =
  /^(?:#{2,}|\*{2,}|[+-]?inf(?:inity)?|[+-]?∞|-?1\.#inf|#(?:num|value|ref|name|div\/0|null)[!?]?)$/i
