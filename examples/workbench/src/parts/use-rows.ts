// A window onto the findings: pages are fetched from the worker when they come into sight, and dropped again.

import { useCallback, useEffect, useRef, useState } from 'react'
import { useWorkbench } from '../state/workbench.js'
import type { Filter, Row } from '../worker/protocol.js'

const PAGE = 100
const MOST_PAGES = 40

export interface Rows {
  /** Zero until it is known. */
  readonly total: number
  readonly known: boolean
  row(index: number): Row | undefined
  /** The row, fetched if it is not there. */
  fetch(index: number): Promise<Row | undefined>
}

export function useRows(filter: Filter): Rows {
  const { ask, inspected, revealed } = useWorkbench()
  const pages = useRef(new Map<number, readonly Row[] | undefined>())
  const [total, setTotal] = useState<number>()
  const [, redraw] = useState(0)
  const filterKey = JSON.stringify(filter)
  const turn = useRef(0)
  /** Pages that came into sight while the page was drawn; they are fetched when that is done. */
  const wanted = useRef(new Set<number>())

  const load = useCallback(
    async (page: number) => {
      const { current } = pages
      const mine = turn.current
      current.set(page, undefined)
      const found = await ask('page', {
        filter: JSON.parse(filterKey) as Filter,
        from: page * PAGE,
        count: PAGE,
      })
      if (mine !== turn.current) return undefined
      current.set(page, found.rows)
      if (current.size > MOST_PAGES) current.delete(current.keys().next().value!)
      setTotal(found.total)
      redraw((n) => n + 1)
      return found.rows
    },
    [ask, filterKey],
  )

  useEffect(() => {
    turn.current++
    pages.current.clear()
    void load(0)
  }, [load, inspected, revealed])

  useEffect(() => {
    for (const page of wanted.current) if (!pages.current.has(page)) void load(page)
    wanted.current.clear()
  })

  return {
    total: total ?? 0,
    known: total !== undefined,
    row(index) {
      const page = Math.floor(index / PAGE)
      if (!pages.current.has(page)) wanted.current.add(page)
      return pages.current.get(page)?.[index % PAGE]
    },
    async fetch(index) {
      const page = Math.floor(index / PAGE)
      const rows = pages.current.get(page) ?? (await load(page))
      return rows?.[index % PAGE]
    },
  }
}
