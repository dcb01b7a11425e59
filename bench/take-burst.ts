import { writeSync } from 'node:fs'
import { measureBurst, type Burst } from './arrivals.ts'

/** One burst in a process of its own, which reads its settings once: `take-burst.ts BURST FOLDER`, as JSON; JSON comes out. */
const [burst, folder] = process.argv.slice(2)
writeSync(1, JSON.stringify(await measureBurst(JSON.parse(burst) as Burst, folder)))
process.exit(0)
