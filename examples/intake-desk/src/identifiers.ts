// What the desk takes down: a definition or a mask for each field, and how its field looks.

import { compareDates, fromCatalog, identifier, mask, type Definition, type Mask } from 'sornak'

export interface Item {
  readonly name: string
  readonly label: string
  readonly hint: string
  readonly of: Definition | Mask | undefined
  readonly autocomplete: string
  /** Hidden when the field is left, but for the last so many. */
  readonly secret?: { readonly last: number }
  /** Checked, and gone when the entry is saved. */
  readonly forgotten?: true
  /** Why a complete value is not taken all the same. */
  readonly judge?: (plain: string, today: string) => string | undefined
}

export const ITEMS: readonly Item[] = [
  {
    name: 'name',
    label: 'Full name',
    hint: 'As on the contract',
    of: undefined,
    autocomplete: 'name',
  },
  {
    name: 'crew',
    label: 'Crew number',
    hint: 'Five digits; zeros at the front belong to it',
    of: identifier({ stored: '{5}', display: 'HS-{5}', sensitivity: 'open' }, 'crew-number'),
    autocomplete: 'off',
  },
  {
    name: 'mobile',
    label: 'Mobile',
    hint: 'National, or with + and the country code',
    of: fromCatalog('phone/us')!,
    autocomplete: 'tel',
  },
  {
    name: 'social',
    label: 'Social security number',
    hint: 'Hidden when you leave it',
    of: identifier(
      {
        stored: '{area: 3}{group: 2}{serial: 4}',
        display: '{area: 3}-{group: 2}-{serial: 4}',
        never: { group: '00', serial: '0000' },
        sensitivity: 'secret',
        reveal: 'last 4',
      },
      'social-security-number',
    ),
    autocomplete: 'off',
  },
  {
    name: 'start',
    label: 'First day',
    hint: 'Year, month and day',
    of: mask('{date yyyy-MM-dd}'),
    autocomplete: 'off',
  },
  {
    name: 'card',
    label: 'Payment card',
    hint: 'The check digit is looked at as you type',
    of: fromCatalog('card/payment')!,
    autocomplete: 'cc-number',
    secret: { last: 4 },
  },
  {
    name: 'expiry',
    label: 'Expires',
    hint: 'Month and year',
    of: mask('{date MM/yy}'),
    autocomplete: 'cc-exp',
    judge: (plain, today) =>
      compareDates(plain, today) < 0 ? 'This card has run out; ask for another.' : undefined,
  },
  {
    name: 'code',
    label: 'Security code',
    hint: 'Never kept',
    of: mask('{3..4}'),
    autocomplete: 'cc-csc',
    secret: { last: 0 },
    forgotten: true,
  },
  {
    name: 'fare',
    label: 'Fare paid',
    hint: 'Dollars and cents',
    of: mask('{number, group, whole 1..5, decimals 2, currency USD}'),
    autocomplete: 'off',
  },
]
