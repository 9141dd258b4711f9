// Populations of made-up identifiers: drawn evenly over all that the definition allows, or issued in blocks, as
// identifiers are: phones of one area, accounts of a few branches, numbers from a counter, serials that start
// with the day.

/** Kinds by name: the definition, and what makes a source of values from a random source. */
export const KINDS = {
  'crew, even': [{ stored: '{5}' }, even(5)],
  'crew, first 2,300': [{ stored: '{5}' }, counterBelow(2300, 5)],
  'crew, first 180': [{ stored: '{4}' }, counterBelow(180, 4)],
  'crew, since one million': [{ stored: '{6}' }, starts(['1'], 5)],
  'crew, two series': [
    { stored: '{5}' },
    (r) => () => (r.below(2) ? `00${r.digits(3)}` : `4${r.digits(4)}`),
  ],
  'crew, by year': [{ stored: '{8}' }, starts(['2019', '2021', '2024'], 4)],
  'staff, even': [{ stored: '{6}' }, even(6)],
  'staff, first 4,200': [{ stored: '{6}' }, counterBelow(4200, 6)],
  'staff, first 60,000': [{ stored: '{8}' }, counterBelow(60_000, 8)],
  'postal, even': [{ stored: '{5}' }, even(5)],
  'postal, five regions': [{ stored: '{5}' }, starts(['021', '070', '100', '606', '981'], 2)],
  'postal, north-east': [{ stored: '{5}' }, starts(['01', '02', '03', '05', '06'], 3)],
  'social, even': [{ stored: '{9}' }, even(9)],
  'social, reserved': [
    { stored: '{9}' },
    (r) => () => (r.below(3) ? `9${r.digits(8)}` : `000${r.digits(6)}`),
  ],
  'accounts, even': [{ stored: '{8}' }, even(8)],
  'accounts of ten, even': [{ stored: '{10}' }, even(10)],
  'accounts, three branches': [{ stored: '{12}' }, starts(['0102', '0301', '1105'], 8)],
  'accounts, padded': [{ stored: '{10}' }, starts(['0012', '0103', '1200'], 6)],
  'accounts, one branch': [{ stored: '{12}' }, starts(['000417'], 6)],
  'policies, even': [{ stored: '{11}' }, even(11)],
  'contracts, even': [{ stored: '{12}' }, even(12)],
  'phones, one exchange': [{ stored: '{10}' }, starts(['206555'], 4)],
  'phones, four areas': [{ stored: '{10}' }, starts(['206555', '253555', '360555', '425555'], 4)],
  'phones, fiction': [{ stored: '{10}' }, starts(['20655501', '42555501', '98555501'], 2)],
  'phones, any area': [{ stored: '{10}' }, starts(['2', '3', '4', '5', '6', '7', '8', '9'], 9)],
  'phones, trunk zero': [{ stored: '{11}' }, starts(['07700900'], 3)],
  'phones, zero in the mask': [{ stored: '0{10}' }, starts(['07700900'], 3)],
  'phones of the catalog': [{ like: 'phone/us' }, starts(['206555', '425555'], 4)],
  'mobiles of eleven': [{ stored: '{11}' }, starts(['138', '150', '188'], 8)],
  'cards, one issuer': [{ stored: '{16}', check: 'luhn' }, luhn(['4000', '4276'], 16)],
  'cards, any': [{ stored: '{16}', check: 'luhn' }, luhn([''], 16)],
  devices: [{ stored: '{15}', check: 'luhn' }, luhn(['35', '86'], 15)],
  'passes, even': [{ stored: '{19}' }, even(19)],
  'passes, two issuers': [{ stored: '{19}' }, starts(['603571', '603599'], 13)],
  'gift cards, even': [{ stored: '{16}' }, even(16)],
  'serials, even': [{ stored: '{18}' }, even(18)],
  'serials, by day': [{ stored: '{18}' }, starts(['20261124', '20261125', '20261126'], 10)],
  'serials, counted': [{ stored: '{18}' }, counterFrom(100_200_300_400_500_000n, 18)],
  moments: [{ stored: '{13}' }, starts(['17'], 11)],
  'two widths': [{ stored: '{4..6}' }, (r) => () => r.digits(4 + r.below(3))],
  plants: [
    { stored: '{1}{1 of "A..F"}{1}' },
    (r) => () => `${r.below(10)}${'ABCDEF'[r.below(6)]}${r.below(10)}`,
  ],
}

function even(width) {
  return (r) => () => r.digits(width)
}
function starts(all, rest) {
  return (r) => () => `${all[r.below(all.length)]}${r.digits(rest)}`
}
function counterBelow(most, width) {
  return (r) => () => `${r.below(most)}`.padStart(width, '0')
}
function counterFrom(first, width) {
  return (r) => {
    let last = first
    return () => (last += BigInt(1 + r.below(9))).toString().padStart(width, '0')
  }
}
// ISO/IEC 7812-1, annex B.
function luhn(all, width) {
  return (r) => () => {
    const front = all[r.below(all.length)]
    const body = `${front}${r.digits(width - 1 - front.length)}`
    const sum = [...body].reverse().reduce((total, digit, i) => {
      const twice = '0123456789'.indexOf(digit) * (i % 2 === 0 ? 2 : 1)
      return total + (twice > 9 ? twice - 9 : twice)
    }, 0)
    return `${body}${(10 - (sum % 10)) % 10}`
  }
}
