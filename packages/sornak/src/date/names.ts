// Names of months and weekdays in a locale, asked of the platform (`Intl`).

import type { DateField } from './pattern.js'

type Named = DateField & { readonly kind: 'month-name' | 'weekday' }

const known = new Map<string, readonly string[]>()

/** Twelve months from January, or seven weekdays from Monday. */
export function namesFor(field: Named, locale: string): readonly string[] {
  const key = `${locale}|${field.kind}|${field.width}|${field.kind === 'month-name' && field.alone}`
  let names = known.get(key)
  if (!names) known.set(key, (names = ask(field, locale)))
  return names
}

function ask(field: Named, locale: string): string[] {
  const zone = { timeZone: 'UTC', calendar: 'gregory' }
  if (field.kind === 'weekday') {
    const format = new Intl.DateTimeFormat(locale, { ...zone, weekday: field.width })
    // 1 January 2024 was a Monday.
    return Array.from({ length: 7 }, (_, i) => format.format(Date.UTC(2024, 0, 1 + i)))
  }
  const format = new Intl.DateTimeFormat(locale, {
    ...zone,
    month: field.width,
    ...(!field.alone && { day: 'numeric' }),
  })
  return Array.from({ length: 12 }, (_, i) => {
    const parts = format.formatToParts(Date.UTC(2024, i, 1))
    return parts.find(({ type }) => type === 'month')?.value ?? `${i + 1}`
  })
}
