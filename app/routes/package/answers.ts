import { data } from 'react-router'
import { z } from 'zod'
import { type Answer, answerSchema } from '../../../core/answers/index.ts'
import { parseTyped } from '../../../core/extraction/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { giveAnswers, placeOfTyped, redo, undo } from '../../../server/packages/answer.ts'
import { Refused } from '../../../server/packages/states.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import type { Route } from './+types/answers'
import { typeById } from '../../../core/program/index.ts'

const place = z
  .object({
    page: z.number().int().positive(),
    box: z.tuple([z.number(), z.number(), z.number(), z.number()]),
  })
  .nullable()

const bodySchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('answer'),
    answers: z.array(answerSchema).min(1).max(600),
    seen: z.number().int().min(0).optional(),
  }),
  /** A value as a person typed or picked it. */
  z.object({
    act: z.literal('typed'),
    page: z.number().int().positive(),
    field: z.string(),
    text: z.string().max(500),
    at: place,
    seen: z.number().int().min(0).optional(),
  }),
  z.object({ act: z.literal('undo') }),
  z.object({ act: z.literal('redo') }),
])

/** Everything a person says about a package comes in here. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  if (!row?.assessment) return data({ problem: 'There is no such package, or it is not read yet.' }, 404)
  const parsed = bodySchema.safeParse(await jsonBody(request))
  if (!parsed.success) return data({ problem: sentence(parsed.error) }, 400)
  const body = parsed.data
  try {
    if (body.act === 'undo') return data({ problem: null, said: await undo(row.id, who) })
    if (body.act === 'redo') return data({ problem: null, said: await redo(row.id, who) })
    let given: Answer[]
    if (body.act === 'typed') {
      const document = row.assessment.documents.find((d) => d.pages.includes(body.page))
      const field =
        document &&
        typeById(await typesOf(database(), who.organisationId), document.type).fields.find(
          (f) => f.name === body.field,
        )
      if (!field) return data({ problem: 'The paper has changed meanwhile; look again.' }, 409)
      const typed = parseTyped(field.kind, body.text, document.locale)
      if ('problem' in typed) return data({ problem: typed.problem }, 400)
      // Words clicked on another paper are what is meant, but that is no place of this one: it would teach a
      // wrong wording.
      const at = body.at && document.pages.includes(body.at.page) ? body.at : null
      given = [
        {
          kind: 'value',
          page: body.page,
          field: body.field,
          value: typed.value,
          state: 'corrected',
          at: at ?? (await placeOfTyped(row.id, document.pages, body.text)),
        },
      ]
    } else given = body.answers
    const taught = await giveAnswers(row.id, given, who, body.seen)
    return data({ problem: null, said: null, taught })
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message }, 409)
    throw error
  }
}

const sentence = (error: z.ZodError): string => {
  const issue = error.issues[0]
  return issue.path.includes('reason')
    ? 'Give a reason of three letters or more.'
    : 'That could not be understood; load the page again.'
}
