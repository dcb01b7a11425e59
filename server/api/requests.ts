import { database } from '../database/connection.ts'
import { eq } from 'drizzle-orm'
import type { Caller } from '../access/integrations.ts'
import { requests } from '../database/schema.ts'
import { inTurn } from '../packages/states.ts'
import { askedPackage, programOf } from '../requests/asking.ts'
import { changeDraft, draftItemsOf, heldWithDraft } from '../requests/drafts.ts'
import { letterOf } from '../requests/letters.ts'
import { addressOf } from '../requests/link.ts'
import { sendRequest } from '../requests/send.ts'
import { linesIn } from '../../wording/requests/index.ts'
import type { z } from '@hono/zod-openapi'
import { Problem } from './problems.ts'
import type { askingSchema, requestSchema } from './shapes.ts'

/** Drafts what an applicant is asked for, or sends it. @throws Problem, Refused */
export async function askApplicant(
  caller: Caller,
  packageId: string,
  { send, to, text, items: wanted }: z.infer<typeof askingSchema>,
): Promise<z.infer<typeof requestSchema>> {
  const { draft } = await inTurn(packageId, (work) => heldWithDraft(work, caller, packageId))
  const all = await draftItemsOf(database(), draft)
  const unknown = wanted?.find((id) => !all.some((i) => i.id === id))
  if (unknown !== undefined)
    throw new Problem(400, `items: nothing lacks that is called ${unknown}.`, 'items')
  await changeDraft(caller, packageId, {
    language: draft.language,
    recipient: to ?? draft.recipient,
    opening: text ?? draft.opening,
    closing: draft.closing,
    due: draft.due,
    choices: wanted
      ? Object.fromEntries(
          all.map((i) => [i.id, { on: wanted.includes(i.id), own: draft.choices[i.id]?.own ?? null }]),
        )
      : draft.choices,
  })
  if (send) await sendRequest(caller, packageId)
  return requestRead(draft.id)
}

async function requestRead(id: string): Promise<z.infer<typeof requestSchema>> {
  const [row] = await database().select().from(requests).where(eq(requests.id, id))
  const items =
    row.items.length > 0
      ? row.items
      : (await draftItemsOf(database(), row)).filter((i) => i.on).map(({ on: _on, ...item }) => item)
  const link = row.state === 'sent' ? addressOf(row) : null
  const letter = await letterOf(
    database(),
    row,
    await programOf(database(), await askedPackage(database(), row.packageId)),
    items,
  )
  return {
    id: row.id,
    state: row.state,
    to: row.recipient,
    items: items.map((item) => ({
      id: item.id,
      title: item.title,
      lines: item.own === null ? linesIn(row.language, item) : [item.own],
    })),
    link,
    text: link ? letter.text.replaceAll('{link}', link) : letter.text,
  }
}
