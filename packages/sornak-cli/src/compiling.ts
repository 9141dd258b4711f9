// When Node compiles what runs often. Commands are short, and much of what they run is run on values of many kinds:
// optimized as soon as Node would, it is thrown away again and again, which took a third of the processor's time. Files that
// take minutes are read as fast either way. Measured with Node 20; others may call this otherwise.

import { setFlagsFromString } from 'node:v8'

/** What a function runs before it is optimized, in bytes of bytecode; three times as much as by itself. */
const BUDGET = 400_000

if (process.versions.node.startsWith('20.')) setFlagsFromString(`--interrupt-budget=${BUDGET}`)
