// Where the damage lies: columns beneath each other over the same rows, the evidence, and every finding.

import { lazy, Suspense, useState } from 'react'
import { Button, ToggleButton } from 'react-aria-components'
import { FindingTable } from '../parts/finding-table.js'
import { Later } from '../parts/later.js'
import { StripView, stripWords, VerdictBar } from '../parts/verdict-bar.js'
import { findingTitle, number, share, VERDICT_ORDER } from '../parts/words.js'
import { useWorkbench } from '../state/workbench.js'
import type { Filter, InspectedColumn } from '../worker/protocol.js'

const VerdictChart = lazy(async () => ({
  default: (await import('../parts/verdict-chart.js')).VerdictChart,
}))

export function Damage() {
  const { inspected, revealed, reveal } = useWorkbench()
  const [filter, setFilter] = useState<Filter>({})
  if (!inspected) return null
  const { columns, records, first } = inspected
  const selected = columns.find(({ header }) => header === filter.column)
  return (
    <>
      <section className="sheet" aria-labelledby="damage-title">
        <div className="title">
          <h2 id="damage-title">Where the damage lies</h2>
          <ul className="legend" aria-label="Colours">
            {VERDICT_ORDER.map((verdict) => (
              <li key={verdict}>
                <svg viewBox="0 0 10 10" aria-hidden="true">
                  <rect width="10" height="10" className={`v-${verdict}`} />
                </svg>
                {verdict}
              </li>
            ))}
          </ul>
        </div>
        {first && (
          <p className="note" role="status">
            A first look at {number(records)} rows; the rest is under way and may change it.
          </p>
        )}
        <div className="columns">
          {columns.map((column) => (
            <Column
              key={column.header}
              column={column}
              selected={column.header === filter.column}
              onSelect={(on) => setFilter(on ? { column: column.header } : {})}
              revealed={revealed.has(column.header)}
              onReveal={(shown) => reveal(column.header, shown)}
            />
          ))}
          <div className="axis" aria-hidden="true">
            <span>row 1</span>
            <span>row {number(Math.round(records / 2))}</span>
            <span>row {number(records)}</span>
          </div>
        </div>
        <p className="note">
          In the strips, each mark is a part of the rows, taller where more of its values are
          damaged: mendable, then open (ambiguous or suspect), then gone (lost or misfit).
        </p>
        {inspected.unbound.length > 0 && (
          <p className="note">Not inspected: {inspected.unbound.join(', ')}.</p>
        )}
      </section>
      <div className="two">
        <Evidence columns={selected ? [selected] : columns} />
        <section className="sheet" aria-labelledby="chart-title">
          <h3 id="chart-title">Damaged values by column</h3>
          <Suspense fallback={<div className="chart" />}>
            <Later>
              <VerdictChart columns={columns} />
            </Later>
          </Suspense>
        </section>
      </div>
      <Later after={60}>
        <FindingTable filter={filter} onFilter={setFilter} />
      </Later>
    </>
  )
}

function Column({
  column,
  selected,
  onSelect,
  revealed,
  onReveal,
}: {
  readonly column: InspectedColumn
  readonly selected: boolean
  readonly onSelect: (on: boolean) => void
  readonly revealed: boolean
  readonly onReveal: (shown: boolean) => void
}) {
  const { header, identifiers, values, verdicts, strip, hidden, accepted } = column
  const bad = values - verdicts.intact - verdicts.blank
  return (
    <div className={selected ? 'column selected' : 'column'}>
      <div className="name">
        <ToggleButton isSelected={selected} onChange={onSelect} className="pick">
          {header}
        </ToggleButton>
        <small>{identifiers.join(', ')}</small>
        {hidden && (
          <ToggleButton
            isSelected={revealed}
            onChange={onReveal}
            className="reveal"
            aria-label={`${header}: ${revealed ? 'values are shown' : 'values are hidden'}`}
          >
            {revealed ? 'values are shown' : 'values are hidden'}
          </ToggleButton>
        )}
      </div>
      <div className="drawn">
        <VerdictBar verdicts={verdicts} values={values} />
        <StripView strip={strip} label={stripWords(header, strip)} />
      </div>
      <p className="figures">
        <strong className={bad ? 'bad' : 'good'}>{bad ? number(bad) : 'all intact'}</strong>
        {bad > 0 && <small>{share(bad, values)} of values</small>}
        {accepted > 0 && <small>{number(accepted)} accepted</small>}
      </p>
    </div>
  )
}

function Evidence({ columns }: { readonly columns: readonly InspectedColumn[] }) {
  const told = columns.flatMap(({ header, evidence }) =>
    evidence.map((one) => ({ header, ...one })),
  )
  const [all, setAll] = useState(false)
  const shown = all ? told : told.slice(0, 5)
  return (
    <section className="sheet" aria-labelledby="evidence-title">
      <h3 id="evidence-title">Evidence</h3>
      {told.length === 0 ? (
        <p className="note">No run of rows went through one conversion together.</p>
      ) : (
        <ul className="evidence" tabIndex={0} aria-label="Evidence">
          {shown.map(({ header, finding, why }, i) => (
            <li key={i}>
              <strong>{header}</strong> <span className="mark">{findingTitle(finding)}</span>
              <p>{why}</p>
            </li>
          ))}
        </ul>
      )}
      {told.length > 5 && (
        <Button className="plain" onPress={() => setAll(!all)}>
          {all ? 'Show less' : `Show ${told.length - 5} more`}
        </Button>
      )}
    </section>
  )
}
