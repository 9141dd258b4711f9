// Words for months, short and long, in languages in which programs print dates.

import { namesFor } from '../date/names.js'

export const SHORT: readonly string[] = namesIn('en', 'short')

const LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'pt', 'nl', 'sv', 'da', 'nb', 'pl']

/** Some print it with a letter more. */
const SEPT = 'sept'

function namesIn(locale: string, width: 'short' | 'long'): readonly string[] {
  return namesFor({ kind: 'month-name', width, alone: false }, locale)
}

const bare = (word: string) => word.toLowerCase().replace(/\.$/, '')

interface Words {
  readonly months: ReadonlyMap<string, number>
  /** Languages that have the word. */
  readonly languages: ReadonlyMap<string, readonly string[]>
}

let known: Words | undefined

// Of what is one month here and another there, the first language has it.
function words(): Words {
  if (known) return known
  const months = new Map([[SEPT, 9]])
  const languages = new Map([[SEPT, ['en']]])
  for (const language of LANGUAGES)
    for (const width of ['short', 'long'] as const)
      namesIn(language, width).forEach((name, i) => {
        const word = bare(name)
        if (!months.has(word)) months.set(word, i + 1)
        if (months.get(word) === i + 1)
          languages.set(word, [...(languages.get(word) ?? []), language])
      })
  return (known = { months, languages })
}

/** 1 to 12, or 0 for a word that is no month. */
export const monthNamed = (word: string): number => words().months.get(bare(word)) ?? 0

/** The same for a word that is English. */
export const monthInEnglish = (word: string): number =>
  words().languages.get(bare(word))?.includes('en') ? monthNamed(word) : 0

/** What else the month is called in English, and in the languages that have this word for it. */
export function namesOf(month: number, word: string | undefined): readonly string[] {
  const key = `${month} ${word ?? ''}`
  let names = named.get(key)
  if (!names) {
    if (named.size >= MOST_NAMED) named.clear()
    named.set(key, (names = allNames(month, word)))
  }
  return names
}

const named = new Map<string, readonly string[]>()
const MOST_NAMED = 1000

function allNames(month: number, word: string | undefined): readonly string[] {
  const languages = word === undefined ? [] : (words().languages.get(bare(word)) ?? [])
  const names = [...new Set(['en', ...languages])].flatMap((language) =>
    (['short', 'long'] as const).map((width) => bare(namesIn(language, width)[month - 1]!)),
  )
  return [...new Set(month === 9 ? [...names, SEPT] : names)]
}

/** As codes have them: Mar, MAR, mar. */
export const inAnyCase = (name: string): string[] => [
  name.charAt(0).toUpperCase() + name.slice(1),
  name.toUpperCase(),
  name,
]
