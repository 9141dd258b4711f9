// Entries in the browser's own storage, newest first. What cannot be read is left where it is.

export type Entry = Readonly<Record<string, string>>

const PLACE = 'harrow-sound-intake'

export function entries(): Entry[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(PLACE) ?? '[]')
    return Array.isArray(kept) ? kept.filter(isEntry) : []
  } catch {
    return []
  }
}

/** @throws {DOMException} where the browser keeps nothing or has no room */
export function keep(list: readonly Entry[]): void {
  localStorage.setItem(PLACE, JSON.stringify(list))
}

const isEntry = (one: unknown): one is Entry =>
  typeof one === 'object' &&
  one !== null &&
  Object.values(one).every((value) => typeof value === 'string')
