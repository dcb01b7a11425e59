import { data } from 'react-router'
import { z } from 'zod'
import { ruleSchema } from '../../../core/classification/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { tryRuleOn } from '../../../server/configuration/rules.ts'
import { pageSheets } from '../../../server/packages/queries.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import type { Route } from './+types/rule-trial'

const bodySchema = z.object({ rule: ruleSchema, id: z.uuid().nullable() })

/** The pages of the package that a rule is tried on. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { row } = await askedPackage(request, params.id)
  return { sheets: await pageSheets(row.id) }
}

/** What a rule, as it stands in its form, would do to a package. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success)
    return data({ problem: 'Give the rule a name and at least one word of two letters.', trial: null }, 400)
  const { says } = body.data.rule
  if (
    says.kind === 'type' &&
    !(await typesOf(database(), who.organisationId)).some((t) => t.id === says.type)
  )
    return data({ problem: 'Say what the page is.', trial: null }, 400)
  return { problem: null, trial: await tryRuleOn(who, row.id, body.data.rule, body.data.id) }
}
