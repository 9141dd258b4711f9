// Files of tests share what they import, and none must notice.

import { restart } from './inspect/draws.js'

restart()
