import { availableParallelism } from 'node:os'
import { EventEmitter } from 'node:events'
import { Logger, makeWorkerUtils, run, type TaskList, type WorkerEvents } from 'graphile-worker'
import { sweepScratch } from '../engine/box/index.ts'
import { giveUpMessage, openMessage } from './arrivals/messages.ts'
import { tellSender } from './arrivals/telling.ts'
import { Watch } from './arrivals/watch.ts'
import { closeDatabase, connections } from './database/connection.ts'
import { Alive } from './jobs/alive.ts'
import { endReaders, standBack } from './jobs/readers.ts'
import { CRONTAB, scheduledTasks } from './jobs/scheduled.ts'
import { pageTasks } from './jobs/tasks.ts'
import { tried } from './jobs/tried.ts'
import { giveUpLesson, learn } from './configuration/lessons.ts'
import { giveUpTrial, tryDraft } from './configuration/trials.ts'
import { readTypeAgain } from './configuration/teaching.ts'
import { log } from './log.ts'
import { giveUpPost, postNotice } from './notices/send.ts'
import { checkIdentity, giveUpIdentity } from './packages/identity.ts'
import { giveUpMail, sendMail } from './post/outbox.ts'
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
/** Letters that are opened, composed or sent at once. */
const POST_TASKS = 3
sweepScratch()
standBack()
const workerIds: string[] = []
const events = new EventEmitter() as WorkerEvents
events.on('worker:create', ({ worker }) => workerIds.push(worker.workerId))
const logger = new Logger(
  () => (level, message) => (String(level) === 'error' ? log.error(message) : log.debug(message)),
)
const runner = await run({
  pgPool: connections(),
  concurrency: settings().WORKER_TASKS ?? availableParallelism(),
  noHandleSignals: true,
  pollInterval: 1000,
  taskList,
  crontab: CRONTAB,
  events,
  logger,
})
// Letters wait for no page: they are opened and answered while every task of the others reads.
const post = await run({
  pgPool: connections(),
  concurrency: POST_TASKS,
  noHandleSignals: true,
  pollInterval: 1000,
  taskList: {
    open_message: tried('open_message', { run: openMessage, giveUp: giveUpMessage }),
    tell_sender: tried('tell_sender', { run: tellSender, giveUp: () => Promise.resolve() }),
    post_notice: tried('post_notice', { run: postNotice, giveUp: giveUpPost }),
    check_identity: tried('check_identity', { run: checkIdentity, giveUp: giveUpIdentity }),
    send_mail: tried('send_mail', { run: sendMail, giveUp: giveUpMail }),
  } as unknown as TaskList,
  events,
  logger,
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
  await Promise.all([runner.stop(), post.stop()])
  await endReaders()
  await alive.end()
  await closeDatabase()
  process.exit(0)
}
process.on('SIGTERM', () => void end())
process.on('SIGINT', () => void end())
// The parent is gone (its pipe closed): nobody would end this process any more.
if (process.env.JIGSA_CHILD) process.stdin.on('end', () => void end()).resume()
