// Numbers that states give to people.

import type { PlainMap } from '../plain.js'

export const PEOPLE: Readonly<Record<string, PlainMap>> = {
  'social-security/us': {
    title: 'Social security number, United States',
    note: 'Areas 000, 666 and 900 to 999, group 00 and serial 0000 are never issued.',
    cites: 'Social Security Administration, number assignment since 2011',
    stored: '{area: 3}{group: 2}{serial: 4}',
    display: '{area: 3}-{group: 2}-{serial: 4}',
    never: { area: ['000', '666', '900..999'], group: '00', serial: '0000' },
    sensitivity: 'secret',
    samples: {
      fits: ['001010001'],
      'does-not-fit': ['000123456', '900123456', '123004567', '12345678'],
    },
    headers: ['ssn', 'social security'],
  },
}
