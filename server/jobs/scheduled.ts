import { forgetArrivals } from '../arrivals/take.ts'
import { forgetTrials } from '../configuration/trials.ts'
import { eraseOverdue } from '../packages/erase.ts'
import { forgetUploads } from '../packages/intake.ts'
import { collectContents } from '../storage/contents.ts'
import { mendComing } from '../requests/coming.ts'
import { remindApplicants } from '../requests/settle.ts'
import { syncOverdue } from '../tasks/tasks.ts'
import { noteHead } from '../witness.ts'
import { log } from '../log.ts'

/**
 * What is done by the clock (UTC): finished packages past their days are erased and contents that nobody names are taken
 * out at night, trials of drafts go after a day, the head of the trail is noted outside every hour; applicants are
 * reminded, and what is past its day becomes a task, within minutes.
 */
export const CRONTAB = `
0 2 * * * erase_overdue
0 3 * * * collect_contents
30 * * * * forget_trials
45 * * * * forget_uploads
15 4 * * * forget_arrivals
5 * * * * note_head ?fill=1h
*/5 * * * * look_after_requests
`

/** What is done by the clock; each finds by itself what there is to do, so that one that was missed is no loss. */
export const scheduledTasks = {
  async erase_overdue(): Promise<void> {
    const erased = await eraseOverdue()
    if (erased > 0) log.info({ erased }, 'packages past their days are erased')
  },
  async collect_contents(): Promise<void> {
    const gone = await collectContents()
    if (gone > 0) log.info({ gone }, 'contents that nobody names are taken out')
  },
  forget_trials: forgetTrials,
  async forget_uploads(): Promise<void> {
    const gone = await forgetUploads()
    if (gone > 0) log.warn({ gone }, 'files that never came whole are taken out')
  },
  async forget_arrivals(): Promise<void> {
    const gone = await forgetArrivals()
    if (gone > 0) log.info({ gone }, 'arrivals that were nothing for anybody are taken out')
  },
  async look_after_requests(): Promise<void> {
    await mendComing()
    const reminded = await remindApplicants()
    if (reminded > 0) log.info({ reminded }, 'applicants are reminded')
    await syncOverdue()
  },
  note_head: noteHead,
}
