// A line of progress on a terminal for work that takes longer than a moment; nothing elsewhere.

import type { Progress } from 'sornak-files'

const FIRST_AFTER = 400
const EVERY = 100

export function progress(label: string, quiet: boolean): Progress {
  const { stderr } = process
  if (quiet || !stderr.isTTY) return { at: () => {}, clear: () => {} }
  const began = Date.now()
  let last = 0
  let drawn = false
  return {
    at(done, whole) {
      const now = Date.now()
      if (now - began < FIRST_AFTER || now - last < EVERY) return
      last = now
      drawn = true
      const share = whole > 0 ? Math.min(100, Math.floor((100 * done) / whole)) : 0
      stderr.write(
        `\r\u001b[2K${label}  ${share}%  ${(done / 1e6).toFixed(0)} of ${(whole / 1e6).toFixed(0)} MB`,
      )
    },
    clear() {
      if (drawn) stderr.write('\r\u001b[2K')
      drawn = false
    },
  }
}
