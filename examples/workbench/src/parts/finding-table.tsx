// Every finding, a window at a time: stored, shown, verdict, finding, and what can be done. One row is chosen; by
// keyboard up and down, Home and End, and Enter to act on it.

import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { Button } from 'react-aria-components'
import { useWorkbench } from '../state/workbench.js'
import { cellKey, type Filter, type Row } from '../worker/protocol.js'
import { Choice } from './choice.js'
import { FindingDetail } from './finding-detail.js'
import { useRows } from './use-rows.js'
import { findingTitle, number, VERDICT_ORDER } from './words.js'

const ALL = '—'
const HEIGHT = 32
const HEADS = ['Row', 'Column', 'Stored', 'Shown', 'Verdict', 'Finding', 'Mend']

export function FindingTable({
  filter,
  onFilter,
}: {
  readonly filter: Filter
  readonly onFilter: (filter: Filter) => void
}) {
  const { inspected, decisions } = useWorkbench()
  const rows = useRows(filter)
  const [at, setAt] = useState(0)
  const [current, setCurrent] = useState<Row>()
  const scroller = useRef<HTMLDivElement>(null)
  const detail = useRef<HTMLDivElement>(null)
  const { total } = rows
  const virtual = useVirtualizer({
    count: total,
    getScrollElement: () => scroller.current,
    estimateSize: () => HEIGHT,
    overscan: 12,
  })

  const filterKey = JSON.stringify(filter)
  useEffect(() => setAt(0), [filterKey])
  const here = rows.row(Math.min(at, Math.max(0, total - 1)))
  // While rows are fetched anew the one before stays, and whatever is being written about it.
  useEffect(() => {
    if (here || total === 0) setCurrent(here)
  }, [here, total])

  const go = (to: number) => {
    const next = Math.max(0, Math.min(total - 1, to))
    setAt(next)
    virtual.scrollToIndex(next)
  }
  const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 320) / HEIGHT) - 1)
  const onKeyDown = (event: KeyboardEvent) => {
    const moves: Record<string, number> = {
      ArrowDown: at + 1,
      ArrowUp: at - 1,
      PageDown: at + page,
      PageUp: at - page,
      Home: 0,
      End: total - 1,
    }
    const to = moves[event.key]
    if (to !== undefined) {
      event.preventDefault()
      go(to)
    } else if (event.key === 'Enter') {
      event.preventDefault()
      detail.current?.querySelector<HTMLElement>('button:not([disabled])')?.focus()
    }
  }

  if (!inspected) return null
  const columns = inspected.columns
  const codes = [...new Set(columns.flatMap((one) => one.findings.map(({ code }) => code)))]
  const set = (key: keyof Filter, value: string) =>
    onFilter({ ...filter, [key]: value === ALL ? undefined : value })
  const any = (text: string) => ({ id: ALL, text })
  return (
    <section className="sheet" aria-labelledby="findings-title">
      <div className="title">
        <h2 id="findings-title">
          Findings <small>{rows.known ? number(total) : '…'}</small>
        </h2>
        <Choice
          label="Column"
          value={filter.column ?? ALL}
          onChange={(value) => set('column', value)}
          options={[
            any('all columns'),
            ...columns.map(({ header }) => ({ id: header, text: header })),
          ]}
        />
        <Choice
          label="Verdict"
          value={filter.verdict ?? ALL}
          onChange={(value) => set('verdict', value)}
          options={[any('all verdicts'), ...VERDICT_ORDER.map((id) => ({ id, text: id }))]}
        />
        <Choice
          label="Finding"
          value={filter.finding ?? ALL}
          onChange={(value) => set('finding', value)}
          options={[any('all findings'), ...codes.map((id) => ({ id, text: findingTitle(id) }))]}
        />
        <div className="pager">
          <Button className="plain" isDisabled={at <= 0} onPress={() => go(at - 1)}>
            Previous
          </Button>
          <Button className="plain" isDisabled={at >= total - 1} onPress={() => go(at + 1)}>
            Next
          </Button>
        </div>
      </div>
      {inspected.found > inspected.listed && (
        <p className="note">
          The first {number(inspected.listed)} are listed; all {number(inspected.found)} are
          counted.
        </p>
      )}
      <div className="findings">
        <div
          className="grid"
          role="grid"
          aria-label="Findings"
          aria-rowcount={total + 1}
          aria-colcount={HEADS.length}
          tabIndex={0}
          aria-activedescendant={total ? `finding-${at}` : undefined}
          onKeyDown={onKeyDown}
          ref={scroller}
        >
          <div role="row" className="head row" aria-rowindex={1}>
            {HEADS.map((text) => (
              <span role="columnheader" key={text}>
                {text}
              </span>
            ))}
          </div>
          <div
            role="rowgroup"
            className="body"
            ref={(node) => node?.style.setProperty('height', `${virtual.getTotalSize()}px`)}
          >
            {virtual.getVirtualItems().map(({ index, start }) => {
              const row = rows.row(index)
              return (
                <div
                  key={index}
                  id={`finding-${index}`}
                  role="row"
                  aria-rowindex={index + 2}
                  aria-selected={index === at}
                  className={index === at ? 'row here' : 'row'}
                  onClick={() => setAt(index)}
                  ref={(node) => node?.style.setProperty('transform', `translateY(${start}px)`)}
                >
                  {row ? (
                    <Cells row={row} chosen={decisions.chosen[cellKey(row.record, row.column)]} />
                  ) : (
                    <span role="gridcell">…</span>
                  )}
                </div>
              )
            })}
          </div>
          {rows.known && total === 0 && <p className="note empty">Nothing to list.</p>}
        </div>
        <div ref={detail}>
          {current && <FindingDetail row={current} onDone={() => scroller.current?.focus()} />}
        </div>
      </div>
    </section>
  )
}

function Cells({ row, chosen }: { readonly row: Row; readonly chosen: string | undefined }) {
  const { decisions } = useWorkbench()
  const applied = decisions.mend === 'all' || (decisions.mend === 'exact' && row.proof === 'exact')
  const mend = row.mend ?? possible(row)
  return (
    <>
      <span role="gridcell" className="num">
        {number(row.record)}
      </span>
      <span role="gridcell">{row.column}</span>
      <code role="gridcell">{row.stored}</code>
      <code role="gridcell">{row.shown}</code>
      <span role="gridcell">
        <span className={`dot d-${row.verdict}`} aria-hidden="true" />
        {row.verdict}
      </span>
      <span role="gridcell">{row.finding ? findingTitle(row.finding) : ''}</span>
      <code role="gridcell" className={chosen !== undefined || applied ? 'done' : ''}>
        {chosen !== undefined ? '✓ chosen' : row.mend && applied ? `✓ ${mend}` : mend}
      </code>
    </>
  )
}

// How many originals a value that is not mended may have had.
function possible({ possible: count }: Row): string {
  return count === null || count === '0' || count === '1' ? '' : `${number(Number(count))} possible`
}
