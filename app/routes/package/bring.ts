import { Readable } from 'node:stream'
import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { bringFile } from '../../../server/packages/intake.ts'
import type { Route } from './+types/bring'

const nameSchema = z.string().trim().min(1).max(240)

/** Takes one file as the body of the request, its name in `?name=`. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const name = nameSchema.safeParse(new URL(request.url).searchParams.get('name'))
  if (!name.success) throw data({ problem: 'The file has no name.' }, 400)
  const stream = request.body
    ? Readable.fromWeb(request.body as Parameters<typeof Readable.fromWeb>[0])
    : Readable.from([])
  return data(await bringFile(row.id, name.data.replace(/^.*[/\\]/, ''), stream, who))
}
