// Catalog entries beside what people write by hand: how a stored value is shown at home and abroad, and which other
// ways of writing it are read back to it. Numbers are from ranges set aside for fiction, or made up.

import { describe, expect, test } from 'vitest'
import { CATALOG, fit, fromCatalog, identifier, judge, type Definition } from 'sornak'

const entry = (key: string): Definition => {
  const found = fromCatalog(key)
  if (!found) throw new Error(`no entry ${key}`)
  return found
}

const PHONES: readonly (readonly [
  key: string,
  stored: string,
  home: string,
  abroad: string,
  ...others: string[],
])[] = [
  [
    'phone/za',
    '0825550142',
    '082 555 0142',
    '+27 82 555 0142',
    '082-555-0142',
    '+27825550142',
    '+27 (0)82 555 0142',
    '0027-82-555-0142',
  ],
  ['phone/us', '2125550142', '(212) 555-0142', '+1 212 555 0142', '212-555-0142', '212.555.0142'],
  [
    'phone/gb',
    '07700900123',
    '07700 900123',
    '+44 7700 900123',
    '07700-900-123',
    '+447700900123',
    '+44 (0)7700 900123',
    '0044 7700 900123',
  ],
  ['phone/gb', '02079460123', '020 7946 0123', '+44 2079 460123', '020-7946-0123'],
  ['phone/fr', '0199001234', '01 99 00 12 34', '+33 1 99 00 12 34', '01.99.00.12.34'],
  ['phone/au', '0491570156', '0491 570 156', '+61 491 570 156', '0491570156'],
  ['phone/au', '0255501234', '(02) 5550 1234', '+61 255 501 234', '02 5550 1234'],
  ['phone/in', '9876543210', '98765 43210', '+91 98765 43210', '+919876543210'],
  ['phone/es', '612345678', '612 345 678', '+34 612 345 678', '612-345-678'],
  ['phone/pt', '912345678', '912 345 678', '+351 912 345 678', '912.345.678'],
  ['phone/nl', '0612345678', '06 123 45678', '+31 61 234 5678', '06-12345678'],
  ['phone/ch', '0791234567', '079 123 45 67', '+41 79 123 45 67', '079/123 45 67'],
  ['phone/no', '21234567', '21 23 45 67', '+47 21 23 45 67', '2123 4567'],
  ['phone/dk', '32123456', '32 12 34 56', '+45 32 12 34 56', '+4532123456'],
  ['phone/pl', '501234567', '501 234 567', '+48 501 234 567', '501-234-567'],
  ['phone/cz', '601234567', '601 234 567', '+420 601 234 567', '601234567'],
  ['phone/gr', '6912345678', '691 234 5678', '+30 691 234 5678', '691-234-5678'],
  ['phone/ru', '89161234567', '8 (916) 123-45-67', '+7 916 123-45-67', '8 916 123 45 67'],
  ['phone/sg', '81234567', '8123 4567', '+65 8123 4567', '8123-4567'],
  ['phone/hk', '51234567', '5123 4567', '+852 5123 4567', '5123-4567'],
  ['phone/ke', '0712123456', '071 2123456', '+254 71 2123456', '0712-123456'],
]

describe('telephone numbers', () => {
  test.each(PHONES)('%s %s', (key, stored, home, abroad, ...others) => {
    const definition = entry(key)
    expect(fit(definition, stored)).toMatchObject({ ok: true })
    const read = definition.stored.read(stored, { strict: true })
    if (!read.ok) throw new Error(read.misfit.message)
    const digits = (text: string) => text.replace(/\D/g, '')
    const shown = [...definition.displays.values()].map((display) => display.show(read.plain))
    // At home the digits are the stored ones; abroad the country's code stands for the zero.
    expect(shown[0]).toMatchObject({ ok: true })
    const [first, second] = shown
    expect(first?.ok && digits(first.text)).toBe(digits(home))
    expect(second?.ok && digits(second.text)).toBe(digits(abroad))
    expect(second?.ok && second.text.startsWith('+')).toBe(true)
    for (const text of [home, abroad, ...others]) {
      const { verdict, mend } = judge(definition, text)
      if (text === stored) expect(verdict).toBe('intact')
      else expect([text, mend]).toEqual([text, stored])
    }
  })
})

const SHOWN: readonly (readonly [key: string, stored: string, shown: string])[] = [
  ['card/payment', '4000001234567899', '4000 0012 3456 7899'],
  ['card/payment', '378282246310005', '3782 822463 10005'],
  ['card/american-express', '371449635398431', '3714 496353 98431'],
  ['social-security/us', '219099999', '219-09-9999'],
  ['social-insurance/ca', '130692544', '130 692 544'],
  ['health-number/gb', '9434765919', '943 476 5919'],
  ['national-insurance/gb', 'AA123456A', 'AA 12 34 56 A'],
  ['person/za', '8001015009087', '800101 5009 08 7'],
  ['person/es', '12345678Z', '12345678-Z'],
  ['person/ch', '7569217076985', '756.9217.0769.85'],
  ['person/isni', '000000012146438X', '0000 0001 2146 438X'],
  ['tax/us-employer', '123456789', '12-3456789'],
  ['tax/br-person', '52998224725', '529.982.247-25'],
  ['tax/au-business', '51824753556', '51 824 753 556'],
  ['tax/au-file', '123456782', '123 456 782'],
  ['iban/gb', 'GB82WEST12345698765432', 'GB82 WEST 1234 5698 7654 32'],
  ['iban/de', 'DE89370400440532013000', 'DE89 3704 0044 0532 0130 00'],
  ['iban/fr', 'FR1420041010050500013M02606', 'FR14 2004 1010 0505 0001 3M02 606'],
  ['iban/no', 'NO9386011117947', 'NO93 8601 1117 947'],
  ['bank/sort-code-gb', '123456', '12-34-56'],
  ['container/freight', 'CSQU3054383', 'CSQU 305438 3'],
  ['item/gtin-8', '96385074', '9638 5074'],
  ['item/gtin-12', '036000291452', '0 36000 29145 2'],
  ['item/gtin-13', '4006381333931', '4 006381 333931'],
  ['book/isbn-13', '9780306406157', '978-0306406157'],
  ['device/equipment', '490154203237518', '49-015420-323751-8'],
  ['serial/long', '041803002222333344', '041803 002222 333344'],
  ['voucher/sequence', '42', '000042'],
]

describe('other identifiers', () => {
  test.each(SHOWN)('%s %s', (key, stored, shown) => {
    const definition = entry(key)
    expect(fit(definition, stored)).toMatchObject({ ok: true })
    const read = definition.stored.read(stored, { strict: true })
    const text = read.ok ? definition.display.show(read.plain) : read
    expect(text).toMatchObject({ ok: true, text: shown })
    expect(judge(definition, shown)).toMatchObject(
      shown === stored || definition.zeros === 'padding'
        ? { verdict: 'intact' }
        : { verdict: 'mendable', mend: stored },
    )
  })
})

// One digit changed: whoever keeps a check digit notices.
const CHECKED = SHOWN.filter(([key]) => entry(key).check)
test.each(CHECKED)('%s %s with its last digit changed fits no more', (key, stored) => {
  const definition = entry(key)
  const at = stored.search(/\d\D*$/)
  const other = (Number.parseInt(stored[at]!, 10) + 1) % 10
  const changed = `${stored.slice(0, at)}${other}${stored.slice(at + 1)}`
  expect(fit(definition, changed)).toMatchObject({ ok: false })
})

test('every entry can show all that it stores, and its samples are right', () => {
  for (const name of CATALOG.keys()) expect(() => identifier({ like: name }), name).not.toThrow()
})

test('a display form that an entry does not allow for is refused where it is said', () => {
  expect(() => identifier({ like: 'phone/us', display: '{9}' })).toThrow(
    /fits no mask of the display form/,
  )
})
