// Check digits on numbers that their standards and issuers print, and what each scheme catches.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { errorsCaught, passes, rightCharacters, SCHEMES } from 'sornak'

// ISO/IEC 7812-1 B.2; ISO 6166; ISO 7064 and the standards built on it (ISO 2108 ISNI, GB 11643, ISBT
// 128, ISO 13616, ISO 17442, ISO 15706); GS1 General Specifications; ISO 2108; ISO 3297; ISO 6346;
// Verhoeff 1969; Damm 2004; ABA; ISO 3779 with 49 CFR 565; LSE; national tax and health offices.
const RIGHT: readonly (readonly [scheme: string, text: string])[] = [
  ['luhn', '4111111111111111'],
  ['luhn', '49927398716'],
  ['luhn-letters', 'US0378331005'],
  ['luhn-values', '037833100'],
  ['luhn-values', '17275R102'],
  ['mod-11-2', '07940'],
  ['mod-11-2', '079X'],
  ['mod-11-2', '000000021694233X'],
  ['mod-11-2', '11010519491231002X'],
  ['mod-37-2', 'G123489654321Y'],
  ['mod-11-10', '07945'],
  ['mod-11-10', '86095742719'],
  ['mod-97-10', '79444'],
  ['mod-97-10', '5493001KJTIIGC8Y1R12'],
  ['mod-27-26', 'QWERTYDVORAKY'],
  ['mod-37-36', 'A12425GABC1234002M'],
  ['iban', 'GB82WEST12345698765432'],
  ['iban', 'DE89370400440532013000'],
  ['gs1', '4006381333931'],
  ['isbn-10', '0306406152'],
  ['isbn-10', '080442957X'],
  ['issn', '03785955'],
  ['issn', '2434561X'],
  ['container', 'CSQU3054383'],
  ['verhoeff', '2363'],
  ['damm', '5724'],
  ['routing', '111000025'],
  ['routing', '021000021'],
  ['vehicle', '1M8GDM9AXKP042788'],
  ['sedol', '0263494'],
  ['sedol', 'B0WNLY7'],
]

describe('published numbers', () => {
  test.each(RIGHT)('%s %s', (id, text) => {
    const scheme = SCHEMES.get(id)!
    expect(passes(scheme, text)).toBe(true)
    const at = text.length - 1 - (scheme.checkAt ?? 0)
    expect(rightCharacters(scheme, `${text.slice(0, at)}?${text.slice(at + 1)}`)).toContain(
      text[at],
    )
    // A wrong check character is refused, whichever it is.
    for (const other of scheme.alphabet) {
      const changed = text.slice(0, at) + other + text.slice(at + 1)
      if (!rightCharacters(scheme, text).includes(other))
        expect(passes(scheme, changed)).toBe(false)
    }
  })
})

// ISO 7064 computed as its text has it, on the whole number at once.
const CHARS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ'
test.each([
  ['mod-97-10', 97n, 10n, '0123456789', 2],
  ['mod-661-26', 661n, 26n, 'ABCDEFGHIJKLMNOPQRSTUVWXYZ', 2],
  ['mod-1271-36', 1271n, 36n, CHARS, 2],
])('%s agrees with the sum of weights of its standard', (id, modulus, radix, alphabet, checks) => {
  const scheme = SCHEMES.get(id)!
  const letters = alphabet.length === 26
  const value = (char: string) => BigInt(letters ? char.charCodeAt(0) - 65 : CHARS.indexOf(char))
  const body = fc.array(fc.constantFrom(...alphabet), { minLength: 1, maxLength: 20 })
  fc.assert(
    fc.property(body, (chars) => {
      const sum = chars.reduce((total, char) => total * radix + value(char), 0n)
      const rest = (1n - ((sum * radix ** BigInt(checks)) % modulus) + 2n * modulus) % modulus
      const tail = [rest / radix, rest % radix].map((n) =>
        letters ? String.fromCharCode(65 + Number(n)) : CHARS[Number(n)],
      )
      expect(passes(scheme, chars.join('') + tail.join(''))).toBe(true)
    }),
  )
})

describe('errors caught', () => {
  const digits = [...SCHEMES.values()].filter((scheme) =>
    /^[0-9]+$/.test(scheme.alphabet.replace('X', '')),
  )
  test.each(digits.map((scheme) => [scheme.id, scheme] as const))(
    '%s: no error said to be caught passes',
    (_, scheme) => {
      const found = errorsCaught(scheme, 9)
      if (!found) return
      const all = {
        single: found.single.caught === found.single.of,
        swapped: found.swapped.caught === found.swapped.of,
      }
      fc.assert(
        fc.property(fc.stringMatching(/^[0-9]{8}$/), fc.nat(7), fc.nat(9), (body, at, digit) => {
          const [check] = rightCharacters(scheme, `${body}0`)
          fc.pre(check !== undefined)
          const end = body.length - (scheme.checkAt ?? 0)
          const text = `${body}0`.slice(0, end) + check + `${body}0`.slice(end + 1)
          if (all.single && `${digit}` !== text[at])
            expect(passes(scheme, text.slice(0, at) + digit + text.slice(at + 1))).toBe(false)
          const [a, b] = [text[at]!, text[at + 1]!]
          if (all.swapped && a !== b && /\d/.test(b))
            expect(passes(scheme, text.slice(0, at) + b + a + text.slice(at + 2))).toBe(false)
        }),
        { numRuns: 200 },
      )
    },
  )
  test('what the literature says of them', () => {
    const of = (id: string) => errorsCaught(SCHEMES.get(id)!, 12)!
    // Luhn misses 09 for 90 and nothing else; Verhoeff, Damm and ISO 7064 11-10 miss no single error;
    // Verhoeff and Damm catch all swaps; GS1 misses swaps of digits five apart.
    expect(of('luhn').single.missed).toBeUndefined()
    expect(of('luhn').swapped.of - of('luhn').swapped.caught).toBe(22)
    expect(of('luhn').swapped.missed).toBe('09 for 90')
    for (const id of ['verhoeff', 'damm'])
      expect([of(id).single.missed, of(id).swapped.missed]).toEqual([undefined, undefined])
    expect(of('gs1').swapped.of - of('gs1').swapped.caught).toBe(110)
  })
})

test('a text of strange characters passes no scheme, and nothing throws', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SCHEMES.values()),
      fc.string({ unit: 'binary' }),
      (scheme, text) => {
        if (/[^0-9A-Z]/i.test(text)) expect(passes(scheme, `${text}-`)).toBe(false)
        expect(passes(scheme, '')).toBe(false)
        rightCharacters(scheme, text)
      },
    ),
  )
})
