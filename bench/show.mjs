// Showing a value through a mask against the ways to do it by hand.

import { mask } from '../packages/sornak/dist/index.js'
import { race } from './race.mjs'

const draw = (seed) => () => (seed = (seed * 48271) % 2147483647)
const next = draw(20261)
const digits = (count) => Array.from({ length: count }, () => `${next() % 10}`).join('')
// Texts as a reader makes them: flat, each its own.
const flat = (text) => Buffer.from(text).toString('latin1')
const phones = Array.from({ length: 2000 }, () => flat(`2${digits(9)}`))
const cards = Array.from({ length: 2000 }, () => flat(`4${digits(15)}`))

const shown = (made) => (value) => {
  const result = made.show(value)
  return result.ok ? result.text : ''
}

const phone = mask('({3}) {3}-{4}')
race('A phone number of 10 digits: (206) 555-0142', phones, {
  'slices joined by hand': (value) =>
    ['(', value.slice(0, 3), ') ', value.slice(3, 6), '-', value.slice(6)].join(''),
  'slices added by hand': (value) =>
    `(${value.slice(0, 3)}) ${value.slice(3, 6)}-${value.slice(6)}`,
  'mask.show': shown(phone),
  'String.replace': (value) => value.replace(/^(\d{3})(\d{3})(\d{4})$/, '($1) $2-$3'),
})

const card = mask('{4} {4} {4} {4}')
race('A card number of 16 digits: 4111 1111 1111 1111', cards, {
  'slices joined by hand': (value) =>
    [value.slice(0, 4), value.slice(4, 8), value.slice(8, 12), value.slice(12)].join(' '),
  'slices added by hand': (value) =>
    `${value.slice(0, 4)} ${value.slice(4, 8)} ${value.slice(8, 12)} ${value.slice(12)}`,
  'mask.show': shown(card),
  'String.replace': (value) => value.replace(/(\d{4})(?=\d)/g, '$1 '),
})

const amounts = Array.from({ length: 500 }, () =>
  flat(`${1 + (next() % 9)}${digits(6)}.${digits(2)}`),
)
const amount = mask('{number, group, decimals 2, locale en}')
const format = new Intl.NumberFormat('en', { minimumFractionDigits: 2, maximumFractionDigits: 2 })
race(
  'An amount: 1,234,567.50',
  amounts,
  {
    'Intl.NumberFormat': (value) => format.format(value),
    'mask.show': shown(amount),
  },
  { repeats: 6 },
)
