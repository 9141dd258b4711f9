// The characters that stand between the parts of identifiers and mean nothing by themselves.

export const SEPARATOR: RegExp = /^[\p{Zs}\t\p{Pd}\u2212./\\()[\]{}\u00b7\u2024]$/u
export const isSeparator = (char: string): boolean => SEPARATOR.test(char)
