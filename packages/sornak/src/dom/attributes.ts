// Attributes that are set for a while and given back as they were.

/** @param wanted `undefined` takes the attribute away; `null` leaves it as it is */
export function borrow(
  element: Element,
  wanted: Readonly<Record<string, string | null | undefined>>,
): () => void {
  const found = Object.entries(wanted).flatMap(([name, value]) => {
    if (value === null) return []
    const before = element.getAttribute(name)
    if (value === undefined) element.removeAttribute(name)
    else element.setAttribute(name, value)
    return [[name, before] as const]
  })
  return () => {
    for (const [name, before] of found)
      if (before === null) element.removeAttribute(name)
      else element.setAttribute(name, before)
  }
}
