// Small inputs that unpack to enormous ones are refused before they fill memory or the disk.

import { unreadable } from '../problem.js'

const HARMLESS = 32 * 1024 * 1024
const MOST_TIMES = 200

/** @param packed size before, in bytes; call the result with the size of each unpacked piece */
export function inflationGuard(name: string, packed: number): (size: number) => void {
  let unpacked = 0
  return (size) => {
    unpacked += size
    if (unpacked > HARMLESS && unpacked > packed * MOST_TIMES)
      throw unreadable(
        `${name} unpacks to more than ${MOST_TIMES} times its size; that is how a file is made to harm its reader.`,
        'If it is meant so, unpack it yourself and name what comes out.',
      )
  }
}
