import { letterLanguage } from '../../core/mail/index.ts'
import { receiptLines, receiptProblems } from '../../wording/letters/index.ts'
import type { Caller } from '../access/integrations.ts'
import { lenderOf } from '../access/organisations.ts'
import { arrivalAt, deviceOf, takeFromDevice } from '../arrivals/devices.ts'
import { noteState } from '../arrivals/sources.ts'
import { receiptFor } from '../arrivals/telling.ts'
import { database } from '../database/connection.ts'
import type { Kept } from '../packages/intake.ts'
import { packageOf } from './packages.ts'
import { Problem } from './problems.ts'
import type { ArrivalShape } from './shapes.ts'
import { waitFor } from './waiting.ts'

/** What a device can be asked for: its buttons. @throws Problem where the key is none of a device */
export async function deviceBy(caller: Caller) {
  const device = caller.sourceId ? await deviceOf(caller, caller.sourceId) : null
  if (!device) throw new Problem(403, 'This key is none of a device.')
  return device
}

/** Takes what somebody put in. @throws Problem */
export async function takeArrival(
  caller: Caller,
  fields: Record<string, string>,
  kept: readonly Kept[],
): Promise<{ id: string }> {
  const device = await deviceBy(caller)
  if (device.paused) throw new Problem(409, 'This device takes nothing just now.')
  const button = device.buttons.find((b) => b.id === fields.button)
  if (!button) {
    // Nobody at the counter can mend that: it is seen where the device is set up.
    await noteState(device, 'It was refused: its panel shows a button that it does not have any more.')
    throw new Problem(400, 'button: it is none of this device', 'button')
  }
  if (kept.length === 0) throw new Problem(400, 'files: at least one is needed', 'files')
  const caseNumber = fields.caseNumber?.trim() || null
  const taken = await takeFromDevice(device, { button, caseNumber, kept })
  if ('problem' in taken) throw new Problem(400, taken.problem, 'caseNumber')
  await noteState(device, null)
  return taken
}

/** How far what somebody put in is. @throws Problem 404, also for what another device was given */
async function arrivalNow(caller: Caller, id: string): Promise<ArrivalShape> {
  const device = await deviceBy(caller)
  const row = await arrivalAt(device.id, id)
  if (!row) throw new Problem(404, 'There is no such arrival.')
  const button = device.buttons.find((b) => b.id === row.button)
  const receipt = await receiptFor(database(), row, {
    known: true,
    limits: button?.limits ?? [],
    expected: button?.type ?? null,
  })
  const { languages } = await lenderOf(database(), caller.organisationId)
  const language = letterLanguage('', { named: undefined, lender: languages })
  const found = row.packageId ? await packageOf(caller, row.packageId) : null
  const begun = receipt.files.some((f) => f.pages > 0)
  const asked = receipt.identity.some((one) => one.verdict === null)
  return {
    id: row.id,
    state: !row.packageId
      ? 'failed'
      : receipt.state === 'done' && !asked
        ? 'done'
        : begun
          ? 'reading'
          : 'received',
    lines: receiptLines(receipt, language),
    documents: receipt.documents,
    required: receipt.required.map(({ requirement, title, status }) => ({ requirement, title, status })),
    problems: [
      ...(receipt.refusal ? [receipt.refusal] : []),
      ...receipt.files.flatMap((f) => (f.problem ? [`${f.name}: ${f.problem}`] : [])),
      ...receiptProblems(receipt, language),
    ],
    identity: receipt.identity,
    package: row.packageId,
    caseNumber: found?.caseNumber ?? null,
  }
}

/** As `arrivalNow`, once all is known of it, or so many seconds later. */
export async function arrivalRead(
  caller: Caller,
  id: string,
  seconds: number,
  gone: AbortSignal,
): Promise<ArrivalShape> {
  let packageId: string | null = null
  return waitFor(
    {
      async look() {
        const told = await arrivalNow(caller, id)
        packageId = told.package
        return told
      },
      waits: ({ state }) => state === 'received' || state === 'reading',
      concerns: (change) => change.packageId === packageId,
    },
    seconds,
    gone,
  )
}
