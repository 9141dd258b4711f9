// Texts that a spreadsheet program would work out as a formula when it opens a delimited file.

/** A number with a sign is only read; anything else behind these signs is run. */
const RUNS = /^[=@\t\r]|^[+-](?![\d\s().-]*$)/

/** An apostrophe in front keeps a text from being run; undefined where it is harmless as it is. */
export function madeHarmless(text: string): string | undefined {
  return RUNS.test(text) ? `'${text}` : undefined
}
