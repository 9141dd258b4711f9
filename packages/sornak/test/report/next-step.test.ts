// What a person is told to do, by what is left of the values.

import { expect, test } from 'vitest'
import { FINDING_CODES, FINDINGS, nextStep } from 'sornak'

const AWAY = 'Take the separators out, and format the column as text.'

test('what was put to a value is taken away where that leaves the original', () => {
  expect(nextStep('grouped', ['mendable'])).toBe(AWAY)
})
test('where more happened, that brings nothing back', () => {
  for (const verdict of ['ambiguous', 'lost', 'suspect'] as const)
    expect(nextStep('grouped', [verdict])).toMatch(/^Fetch the value again/)
})
test('of some values it is all there was to do', () => {
  const both = nextStep('grouped', ['lost', 'mendable'])
  expect(both.startsWith(`${AWAY} `)).toBe(true)
  expect(both).toContain('fetch')
})
test('zeros are put back where the width proves them, and not where other digits may be missing', () => {
  const proven = FINDINGS['zeros-lost'].next
  expect(nextStep('zeros-lost', ['mendable'])).toBe(proven)
  expect(nextStep('zeros-lost', ['ambiguous'])).toMatch(/^Choose .* candidates/)
  expect(nextStep('zeros-lost', ['mendable', 'ambiguous']).startsWith(`${proven} `)).toBe(true)
})
test('of rounded digits the one original that is left is not asked for again', () => {
  expect(nextStep('digits-rounded', ['mendable'])).not.toMatch(/fetch/i)
  expect(nextStep('digits-rounded', ['mendable', 'lost'])).toMatch(/only one is left; fetch/)
})
test('what took something away says so by itself', () => {
  for (const code of ['digits-rounded', 'cut-short', 'clamped'] as const)
    expect(nextStep(code, ['lost'])).toBe(FINDINGS[code].next)
})
test('each finding has a step, whatever is left', () => {
  for (const code of FINDING_CODES)
    for (const verdict of ['mendable', 'lost', 'misfit'] as const)
      expect(nextStep(code, [verdict])).toMatch(/^[A-Z].*\.$/)
})
