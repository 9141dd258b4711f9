// Values drawn the same way in every run.

export function drawing(seed: number) {
  let state = seed
  const next = (below: number) => (state = (state * 48_271) % 2_147_483_647) % below
  const digits = (count: number) => Array.from({ length: count }, () => `${next(10)}`).join('')
  return { next, digits }
}
