import { availableParallelism } from 'node:os'
import { EventEmitter } from 'node:events'
import { Logger, makeWorkerUtils, run, type TaskList, type WorkerEvents } from 'graphile-worker'
import { sweepScratch } from '../engine/box/index.ts'
import { Watch } from './arrivals/watch.ts'
import { closeDatabase, connections } from './database/connection.ts'
import { Alive } from './jobs/alive.ts'
import { endReaders } from './jobs/readers.ts'
import { CRONTAB, scheduledTasks } from './jobs/scheduled.ts'
import { pageTasks } from './jobs/tasks.ts'
import { tried } from './jobs/tried.ts'
import { giveUpLesson, learn } from './configuration/lessons.ts'
import { giveUpTrial, tryDraft } from './configuration/trials.ts'
import { readTypeAgain } from './configuration/teaching.ts'
import { log } from './log.ts'
import { settings } from './settings.ts'

/**
 * A worker process: reads pages and judges packages. Any number of them, on any number of machines, share a
 * database.
 */
const taskList = {
  ...pageTasks,
  read_type_again: tried('read_type_again', { run: readTypeAgain, giveUp: () => Promise.resolve() }),
  learn: tried('learn', { run: learn, giveUp: giveUpLesson }),
  try_draft: tried('try_draft', { run: tryDraft, giveUp: giveUpTrial }),
  ...scheduledTasks,
} as unknown as TaskList
sweepScratch()
const workerIds: string[] = []
const events = new EventEmitter() as WorkerEvents
events.on('worker:create', ({ worker }) => workerIds.push(worker.workerId))
const runner = await run({
  pgPool: connections(),
  concurrency: settings().WORKER_TASKS ?? availableParallelism(),
  noHandleSignals: true,
  pollInterval: 1000,
  taskList,
  crontab: CRONTAB,
  events,
  logger: new Logger(
    () => (level, message) => (String(level) === 'error' ? log.error(message) : log.debug(message)),
  ),
})
const watch = new Watch()
const alive = new Alive()
await alive.begin(workerIds, await makeWorkerUtils({ pgPool: connections() }))
watch.begin()
log.info({ workers: workerIds.length }, 'worker is ready')

let ending = false
const end = async () => {
  if (ending) return
  ending = true
  await watch.end()
  await runner.stop()
  await endReaders()
  await alive.end()
  await closeDatabase()
  process.exit(0)
}
process.on('SIGTERM', () => void end())
process.on('SIGINT', () => void end())
// The parent is gone (its pipe closed): nobody would end this process any more.
if (process.env.JIGSA_CHILD) process.stdin.on('end', () => void end()).resume()
