// Texts that stand in place of a value.

/** Blank, or a word or mark that stands in place of a value. */
export function saysNothing(seen: string): boolean {
  return isBlank(seen) || isMissing(seen) || isOverflow(seen)
}

export const isBlank = (seen: string): boolean => BLANK.test(seen)

/** A word that says that there is no value: `NULL`, `NaN`, `#N/A`. */
export const isMissing = (seen: string): boolean => MISSING.test(unsigned(seen))

/** A mark that there was more than could be shown: `#####`, `*****`, `inf`; or the largest number of a binary type. */
export const isOverflow = (seen: string): boolean => {
  const text = unsigned(seen)
  return OVERFLOW.test(text) || LARGEST.test(text)
}

// NaN% and $NaN are printed where no number is; a hyphen with a currency is nothing owed.
const unsigned = (seen: string) =>
  seen
    .trim()
    .replace(/^\p{Sc}\s?(?=[+-]?(?:nan|inf|∞))|(?<=nan|inf|infinity|∞)\s?[%\p{Sc}]$/giu, '')

const BLANK = /^\s*$/u
const MISSING =
  /^(?:\(?(?:null|none|nil|blank|empty|missing)\)?|n\/a|#n\/a|#?na|<na>|nat|\\n|undefined|unknown|-?nan(?:\(ind\))?|-?1\.#(?:ind|qnan)|[-–—?]{1,3}|\.{1,3}|…)$/i
const OVERFLOW =
  /^(?:#{2,}|\*{2,}|[+-]?inf(?:inity)?|[+-]?∞|-?1\.#inf|#(?:num|value|ref|name|div\/0|null|error)[!?]?|\(error\)|err(?:or|:\d{3})?)$/i
// Binary64 and binary32 (IEEE 754).
const LARGEST = /^[+-]?(?:1\.7976\d*e\+?308|3\.4028\d*e\+?0?38)$/i
