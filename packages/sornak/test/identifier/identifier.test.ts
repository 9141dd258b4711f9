import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  CATALOG,
  fit,
  fromCatalog,
  hide,
  keyOf,
  matcherOf,
  parseReveal,
  passes,
  SCHEMES,
  spaceOf,
} from 'sornak'
import { definition, problemCodes } from './definition-for.js'

const encode = (text: string) => new TextEncoder().encode(text)

describe('the catalog', () => {
  test('is worth having', () => {
    const keys = [...CATALOG.keys()]
    expect(keys.length).toBeGreaterThanOrEqual(60)
    expect(keys.filter((key) => key.startsWith('phone/')).length).toBeGreaterThanOrEqual(25)
  })
  test.each([...CATALOG.keys()])('%s is built, cites its source, and its samples hold', (key) => {
    const entry = fromCatalog(key)!
    expect(entry.cites).toBeTruthy()
    expect(entry.samples.fits.length).toBeGreaterThan(0)
    expect(entry.samples.doesNotFit.length).toBeGreaterThan(0)
    for (const text of entry.samples.fits) {
      const fitted = fit(entry, text)
      if (!fitted.ok) throw new Error(text)
      for (const list of entry.displays.values()) {
        const shown = list.show(fitted.plain)
        const back = shown.ok ? list.read(shown.text) : undefined
        expect(back?.ok && keyOf(entry, back.plain)).toBe(keyOf(entry, fitted.plain))
      }
    }
  })
})

describe('check digits on published vectors', () => {
  // ISO/IEC 7812-1 annex B example and test numbers that card issuers publish; ISO 6346 annex A.
  test.each([
    ['luhn', '49927398716', true],
    ['luhn', '49927398717', false],
    ['luhn', '4111111111111111', true],
    ['luhn', '378282246310005', true],
    ['container', 'CSQU3054383', true],
    ['container', 'CSQU3054384', false],
    ['container', 'ZEPU0037255', true],
  ] as const)('%s %s %s', (scheme, text, want) => {
    expect(passes(SCHEMES.get(scheme)!, text)).toBe(want)
  })
})

describe('fit', () => {
  const tax = definition({
    stored: '{area: 3}{group: 2}{serial: 4}',
    never: { area: ['000', '666', '900..999'], group: '00', serial: '0000' },
  })
  test.each([
    ['123456789', 'ok'],
    ['000456789', 'reserved'],
    ['666456789', 'reserved'],
    ['950456789', 'reserved'],
    ['123006789', 'reserved'],
    ['123450000', 'reserved'],
    ['12345678', 'shape'],
    ['123-45-6789', 'shape'],
  ])('%s is %s', (text, want) => {
    const fitted = fit(tax, text)
    expect(fitted.ok ? 'ok' : fitted.code).toBe(want)
  })
  test('zeros as padding: 042 and 42 are one value', () => {
    const voucher = definition({ stored: '{1..6}', zeros: 'padding' })
    expect(fit(voucher, '042').ok && fit(voucher, '42').ok && fit(voucher, '0000042').ok).toBe(true)
    expect(keyOf(voucher, '042')).toBe('42')
    expect(keyOf(voucher, '000')).toBe('0')
    expect(fit(voucher, '1234567').ok).toBe(false)
  })
  test('a check over named parts', () => {
    const made = definition({
      stored: '{prefix: 2 upper}{body: 4}',
      check: { scheme: 'luhn', over: ['body'] },
    })
    expect(fit(made, 'AB1230').ok).toBe(true)
    expect(fit(made, 'AB1231').ok).toBe(false)
  })
})

test('weights of the steward’s own', () => {
  // 3-7-1, as bank routing numbers of the United States have it; 111000025 is a published example.
  const check = {
    scheme: 'weighted',
    weights: ['3', '7', '1', '3', '7', '1', '3', '7', '1'],
    modulus: '10',
  }
  const made = definition({ stored: '{9}', check })
  expect(fit(made, '111000025').ok).toBe(true)
  expect(fit(made, '111000026').ok).toBe(false)
  expect(problemCodes({ stored: '{9}', check: { scheme: 'weighted' } })).toContain('weights')
})

describe('definitions that do not hold together', () => {
  test.each([
    [{ title: 'x' }, 'stored-missing'],
    [{ stored: '{5', title: 'x' }, 'slot-open'],
    [{ stored: '{5 pad}' }, 'pad-stored'],
    [{ stored: '{5}', dispaly: 'x{5}' }, 'key-unknown'],
    [{ stored: '{5}', display: '{4}' }, 'display-gap'],
    [{ stored: ['{5}', '{6}'], display: '{5}' }, 'display-gap'],
    [{ stored: '{5}', check: 'lun' }, 'check-unknown'],
    [{ stored: '{5}', never: { area: '00' } }, 'part-unknown'],
    [{ stored: '{5}', never: { value: '000' } }, 'range-width'],
    [{ stored: '{5}', never: { value: '00009..0001' } }, 'range'],
    [{ stored: '{5}', zeros: 'paddin' }, 'word-unknown'],
    [{ stored: '{2}-{3}', zeros: 'padding' }, 'zeros-padding'],
    [{ stored: '{5}', reveal: 'last four' }, 'reveal'],
    [{ stored: '{5}', samples: { fits: ['1234'] } }, 'sample-misfit'],
    [{ stored: '{5}', samples: { 'does-not-fit': ['12345'] } }, 'sample-fits'],
  ])('%j is refused as %s', (source, code) => {
    expect(problemCodes(source)).toContain(code)
  })
})

describe('what may be seen', () => {
  test.each([
    ['none', '4111 1111', '•••• ••••'],
    ['all', '4111 1111', '4111 1111'],
    ['last 4', '4111 1111-22', '•••• ••11-22'],
    ['first 2 last 1', 'AB-0042', 'AB-•••2'],
    ['none', '4.3E+15', '•.••+••'],
  ])('reveal %s of %s is %s', (reveal, text, want) => {
    expect(hide(text, parseReveal(reveal)!)).toBe(want)
  })
  test.each(['', 'last', 'some', 'last four', 'first 3last 4 '])('%j says nothing', (text) => {
    expect(parseReveal(text)).toBeUndefined()
  })
})

describe('counting what a definition allows', () => {
  const kinds = [
    definition({ stored: '{4}', check: 'luhn' }),
    definition({ stored: ['{3}', '{5}'], never: { value: ['000', '90000..99999'] } }),
    definition({
      stored: '{area: 2}{serial: 3}',
      only: { area: ['00', '17..42'] },
      never: { serial: '000' },
    }),
    definition({ stored: '0{4}' }),
    definition({ stored: '+27{3}' }),
    definition({ stored: '{1..5}', zeros: 'padding' }),
    definition({ stored: '{2..4}' }),
  ]
  test.each(kinds.map((one, i) => [i, one] as const))(
    'agrees with trying every text (%i)',
    (_, made) => {
      const space = spaceOf(made)
      const values: { readonly text: string; readonly value: bigint }[] = []
      for (const prefix of ['', '+27']) {
        for (let width = 1; width <= 5; width++) {
          for (let n = 0n; n < 10n ** BigInt(width); n++) {
            const text = prefix + n.toString().padStart(width, '0')
            // Where zeros are padding, the key stands for all its texts.
            if (fit(made, text).ok && keyOf(made, text) === text)
              values.push({ text, value: BigInt(text.replace('+', '')) })
          }
        }
      }
      fc.assert(
        fc.property(fc.bigInt(0n, 110000n), fc.bigInt(0n, 40000n), (low, more) => {
          const inside = new Set(
            values.flatMap(({ text, value }) => (value >= low && value <= low + more ? text : [])),
          )
          expect(space.count(low, low + more)).toEqual({
            count: BigInt(inside.size),
            exact: true,
          })
          const listed = space.list(low, low + more, 50)
          expect(listed.length).toBe(Math.min(50, inside.size))
          expect(listed.filter((text) => !inside.has(text))).toEqual([])
        }),
        { numRuns: 25 },
      )
    },
  )
})

test('bytes fit exactly where the text fits', () => {
  const made = [...CATALOG.keys()].map((key) => fromCatalog(key)!)
  const text = fc.oneof(
    fc.stringMatching(/^[0-9]{3,19}$/),
    fc.stringMatching(/^[A-Z0-9 -]{3,11}$/),
    fc.constantFrom(...made.flatMap(({ samples }) => [...samples.fits, ...samples.doesNotFit])),
  )
  const matchers = made.map((one) => ({
    one,
    matches: matcherOf(one),
    counted: one.zeros !== 'padding' && one.stored.masks.every(({ kind }) => kind === 'characters'),
  }))
  fc.assert(
    fc.property(text, (value) => {
      const bytes = encode(`x${value}y`)
      const wrong = matchers.filter(({ one, matches, counted }) => {
        const told = matches(bytes, 1, bytes.length - 1)
        // Padded keys and dates are left to the slow way: there a yes must be right, no more.
        return (told || counted) && told !== fit(one, value).ok
      })
      expect(wrong.map(({ one }) => one.stored.masks)).toEqual([])
    }),
    { numRuns: 700 },
  )
})
