import { ImapFlow } from 'imapflow'
import { log } from '../log.ts'
import { settings, type MailboxSetting } from '../settings.ts'
import { inMegabytes, keep, TooLarge } from '../storage/contents.ts'
import { takeMessage } from './messages.ts'
import type { Source } from './sources.ts'
import { refuse } from './take.ts'

/** Milliseconds between two looks into folders that do not tell by themselves, and for which an idle line is kept. */
const LOOK_MS = 10_000
/** Milliseconds within which a mail server answers, or it is taken for gone. */
const ANSWER_MS = 30_000

/** What a failed look is told as. */
export function mailboxProblem(error: unknown): string {
  const { authenticationFailed, code } = error as { authenticationFailed?: boolean; code?: string }
  if (authenticationFailed) return 'The mailbox does not accept the name and the password that are set.'
  if (code === 'ENOTFOUND' || code === 'EAI_AGAIN') return 'The mail server of this mailbox is not known.'
  if (code === 'NOFOLDER') return (error as Error).message
  return 'The mailbox cannot be reached.'
}

class NoFolder extends Error {
  readonly code = 'NOFOLDER'
}

/** A line to a mailbox (IMAP, RFC 9051), kept open between looks. */
export class Mailbox {
  private client: ImapFlow | null = null

  constructor(private readonly setting: MailboxSetting) {}

  /**
   * Takes what lies in the mailbox's folders, each message once, and moves it to where what was taken goes. Stored
   * first and moved after: killed between the two, it is known again by its place.
   * @throws Error where the mailbox cannot be looked into
   */
  async look(source: Source, signal: AbortSignal): Promise<void> {
    const client = await this.line()
    await this.makeFolder(client, this.setting.done)
    for (const folder of this.setting.folders) {
      if (signal.aborted) return
      await this.lookInto(client, folder, source, signal)
    }
  }

  /** How many messages lie in its folders. @throws Error where it cannot be looked into */
  async count(): Promise<number> {
    const client = await this.line()
    let found = 0
    for (const folder of this.setting.folders) {
      const status = await client.status(folder, { messages: true }).catch(() => {
        throw new NoFolder(`There is no folder “${folder}” in the mailbox.`)
      })
      if (status) found += status.messages ?? 0
    }
    return found
  }

  /** Waits until something comes into the first folder, or for a while. */
  async wait(signal: AbortSignal): Promise<void> {
    const { client } = this
    if (!client?.usable || signal.aborted) return
    await client.mailboxOpen(this.setting.folders[0])
    await new Promise<void>((done) => {
      const over = () => {
        clearTimeout(timer)
        client.off('exists', over)
        client.off('close', over)
        signal.removeEventListener('abort', over)
        done()
      }
      const timer = setTimeout(over, LOOK_MS)
      client.once('exists', over)
      client.once('close', over)
      signal.addEventListener('abort', over)
      // Any other command ends it.
      void client.idle().catch(() => undefined)
    })
  }

  end(): void {
    this.client?.close()
    this.client = null
  }

  private async line(): Promise<ImapFlow> {
    if (this.client?.usable) return this.client
    const { protocol, hostname, port, username, password } = new URL(this.setting.server)
    const secure = protocol === 'imaps:'
    const client = new ImapFlow({
      host: hostname,
      port: Number(port) || (secure ? 993 : 143),
      secure,
      auth: { user: decodeURIComponent(username), pass: decodeURIComponent(password) },
      logger: false,
      connectionTimeout: ANSWER_MS,
      greetingTimeout: ANSWER_MS,
      // What is idle is looked after by us.
      disableAutoIdle: true,
    })
    client.on('error', (error: unknown) => log.debug({ error: String(error) }, 'a mailbox broke off'))
    await client.connect()
    return (this.client = client)
  }

  private async makeFolder(client: ImapFlow, path: string): Promise<void> {
    const all = await client.list()
    if (!all.some((folder) => folder.path === path)) await client.mailboxCreate(path)
  }

  private async lookInto(
    client: ImapFlow,
    folder: string,
    source: Source,
    signal: AbortSignal,
  ): Promise<void> {
    const lock = await client.getMailboxLock(folder).catch(() => {
      throw new NoFolder(`There is no folder “${folder}” in the mailbox.`)
    })
    try {
      const { uidValidity } = client.mailbox as { uidValidity: bigint }
      const found = (await client.search({ deleted: false }, { uid: true })) || []
      for (const uid of found) {
        if (signal.aborted) return
        const identity = JSON.stringify([folder, String(uidValidity), uid])
        if (await this.takeOne(client, uid, source, identity))
          await client.messageMove([uid], this.setting.done, { uid: true })
      }
    } finally {
      lock.release()
    }
  }

  /** @returns false where it is not there any more */
  private async takeOne(client: ImapFlow, uid: number, source: Source, identity: string): Promise<boolean> {
    const most = settings().MOST_FILE_BYTES
    const { content } = await client.download(String(uid), undefined, { uid: true })
    if (!content) return false
    try {
      const kept = await keep(content, most)
      await takeMessage(source, { identity, ...kept })
    } catch (error) {
      if (!(error instanceof TooLarge)) throw error
      await refuse(
        source,
        { identity, name: 'a message' },
        `It is larger than ${inMegabytes(most)}, the most that is taken.`,
      )
    }
    return true
  }
}
