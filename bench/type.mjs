// One keystroke in the entry engine: the time from a state and an edit to the new state, everything that a
// field shows of it included. Every state is read, so that nothing is left out as unused.

import { fromCatalog, mask, maskList } from '../packages/sornak/dist/index.js'
import { entry } from '../packages/sornak/dist/entry/entry.js'

const keys = (text) => [...text].map((char) => ({ kind: 'type', text: char }))
const back = { kind: 'delete' }
const at = (from) => ({ kind: 'select', from })

const FIELDS = {
  'a phone number, typed': [entry(mask('({3}) {3}-{4}')), keys('2065550142')],
  'a phone number, changed in the middle': [
    entry(mask('({3}) {3}-{4}')),
    [...keys('2065550142'), at(7), back, ...keys('9'), at(3), back, ...keys('7')],
  ],
  'a card of 15 or 16 digits': [
    entry(maskList(['{4} {4} {4} {4}', '{4} {6} {5}'])),
    keys('4111111111111111'),
  ],
  'a card of the catalog, with its check digit': [
    entry(fromCatalog('card/payment')),
    keys('4111111111111111'),
  ],
  'an amount, grouped as it is typed': [
    entry(mask('{number, group, decimals 2}')),
    keys('1234567.50'),
  ],
  'a date': [entry(mask('{date dd.MM.yyyy}')), keys('28022027')],
}

console.log('One keystroke, in microseconds (median and slowest tenth of 40 rounds)\n')
for (const [name, [made, edits]] of Object.entries(FIELDS)) {
  const rounds = []
  let read = 0
  for (let round = 0; round < 60; round++) {
    const start = process.hrtime.bigint()
    for (let i = 0; i < 20; i++) {
      let state = made.start
      for (const edit of edits) {
        state = made.edit(state, edit)
        read += state.text.length + state.from
      }
    }
    const nanoseconds = Number(process.hrtime.bigint() - start)
    if (round >= 20) rounds.push(nanoseconds / 1000 / 20 / edits.length)
  }
  rounds.sort((a, b) => a - b)
  const show = (share) => rounds[Math.floor(rounds.length * share)].toFixed(1).padStart(6)
  console.log(`${name.padEnd(46)}${show(0.5)}${show(0.9)}${read > 0 ? '' : ' nothing read'}`)
}
