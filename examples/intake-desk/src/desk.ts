// The page: rows from their descriptions, saving, the list of what was saved, the export.

import { hide } from 'sornak'
import { entries, keep, type Entry } from './entries.js'
import { csv, description } from './export.js'
import { row } from './field.js'
import { ITEMS } from './identifiers.js'

const find = <Kind extends Element>(selector: string) => document.querySelector<Kind>(selector)!
const form = find<HTMLFormElement>('#intake')
const outcome = find('#outcome')
const today = new Date().toLocaleDateString('sv-SE')

const rows = ITEMS.map((item) => row(find(`[data-field="${item.name}"]`), item, today))
const columns = ITEMS.filter(({ forgotten }) => !forgotten).map(({ name, label }) => ({
  name,
  title: label,
}))

form.addEventListener('submit', (event) => {
  event.preventDefault()
  const missing = rows.find(({ stored }) => stored() === undefined)
  if (missing) return missing.input.focus()
  const entry = Object.fromEntries(
    rows.flatMap(({ item, stored }) => (item.forgotten ? [] : [[item.name, stored()!]])),
  )
  try {
    keep([entry, ...entries()])
  } catch {
    outcome.textContent = 'The browser has no room to keep it. Export what is here, then forget it.'
    return
  }
  form.reset()
  list()
  outcome.textContent = `${entry['name']} is saved.`
  rows[0]!.input.focus()
})

form.addEventListener('reset', () => {
  outcome.textContent = ''
  for (const { item } of rows) find(`#${item.name}-reason`).textContent = ''
})

find('#export').addEventListener('click', () => {
  const name = `intake-${today}.csv`
  save(name, 'text/csv', csv(columns, entries()))
  save(`${name}-metadata.json`, 'application/csvm+json', description(name, columns))
})

find('#forget').addEventListener('click', () => {
  const count = entries().length
  if (
    !confirm(`Forget ${count === 1 ? 'the entry' : `all ${count} entries`}? This cannot be undone.`)
  )
    return
  keep([])
  list()
})

function save(name: string, type: string, text: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type }))
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}

function list(): void {
  const kept = entries()
  const place = find('#list')
  for (const button of ['#export', '#forget'])
    find<HTMLButtonElement>(button).disabled = kept.length === 0
  if (kept.length === 0) {
    const none = document.createElement('p')
    none.className = 'none'
    none.textContent = 'Nothing yet.'
    return place.replaceChildren(none)
  }
  const table = document.createElement('table')
  const head = table.createTHead().insertRow()
  for (const { title } of columns) {
    const cell = document.createElement('th')
    cell.scope = 'col'
    cell.textContent = title
    head.append(cell)
  }
  const body = table.createTBody()
  for (const entry of kept) {
    const line = body.insertRow()
    for (const { name, title } of columns) {
      const cell = line.insertCell()
      cell.dataset['title'] = title
      cell.textContent = seen(entry, name)
    }
  }
  place.replaceChildren(table)
}

const HIDDEN = new Set(['social', 'card'])

function seen(entry: Entry, name: string): string {
  const value = entry[name] ?? ''
  return HIDDEN.has(name) ? hide(value, { first: 0, last: 4 }) : value
}

list()
