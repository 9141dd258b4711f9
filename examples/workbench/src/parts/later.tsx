// What comes a moment later than the rest: a view that is drawn in pieces never holds the page up.

import { startTransition, useEffect, useState, type ReactNode } from 'react'

/** @param after in milliseconds */
export function Later({
  children,
  after = 0,
}: {
  readonly children: ReactNode
  readonly after?: number
}) {
  const [now, setNow] = useState(false)
  useEffect(() => {
    const wait = setTimeout(() => startTransition(() => setNow(true)), after)
    return () => clearTimeout(wait)
  }, [after])
  return now ? children : null
}
