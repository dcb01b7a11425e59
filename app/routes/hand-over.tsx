import { Download, Lock, LockOpen } from 'lucide-react'
import { data, Form, Link, useNavigation } from 'react-router'
import { z } from 'zod'
import { fileNames } from '../../core/handover/names.ts'
import { askedPackage } from '../../server/access/packages.ts'
import { setFinished } from '../../server/packages/finish.ts'
import { count } from '../parts/format.ts'
import { useJudged } from '../package/view.ts'
import type { Route } from './+types/hand-over'

const formSchema = z.object({ finished: z.enum(['yes', 'no']) })

export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const form = formSchema.safeParse(Object.fromEntries(await request.formData()))
  if (!row?.assessment || !form.success) throw data('That could not be understood.', 400)
  await setFinished(row.id, form.data.finished === 'yes', who)
  return null
}

/** What goes out, what is still open, and the end of the work on the package. */
export default function HandOver() {
  const { row, assessment } = useJudged()
  const busy = useNavigation().state !== 'idle'
  const names = fileNames(assessment.documents)
  const blocking = assessment.findings.filter((f) => f.severity === 'blocking')
  const loose = assessment.deck.length
  const done = row.state === 'finished'
  return (
    <div className="grid max-w-5xl gap-4 pb-6 lg:grid-cols-2">
      <section className="card p-4">
        <h1 className="text-xl font-semibold">Hand over</h1>
        <p className="mt-1 text-ink-2">One ZIP: {count(assessment.documents.length, 'PDF')}, one for each document and searchable, and <span className="font-mono">report.json</span> with every value, its place and how sure it is.</p>
        <div className="mt-4 flex flex-wrap gap-2">
          <a className={done ? 'button-main' : 'button'} href={`/packages/${row.id}/package.zip`} download><Download size={16} />Download {row.caseNumber}.zip</a>
          <Form method="post">
            <input type="hidden" name="finished" value={done ? 'no' : 'yes'} />
            <button className={done ? 'button' : 'button-main'} disabled={busy || row.state === 'reading'}>{done ? <><LockOpen size={16} />Open it again</> : <><Lock size={16} />Finish the package</>}</button>
          </Form>
        </div>
        <p className="mt-3 text-sm text-ink-2">{done ? 'Finished: it takes no more answers.' : 'Finishing closes it to answers. It can be opened again.'}</p>
        <h2 className="mt-5 mb-1 font-semibold">Still open</h2>
        {loose === 0 && blocking.length === 0 ? <p className="text-ink-2">Nothing.</p> : (
          <ul className="grid gap-1 text-sm">
            {loose > 0 ? <li className="border-l-4 border-dashed border-amber pl-2"><Link className="underline" to="../deck">{count(loose, 'loose piece')}</Link> nobody has answered</li> : null}
            {blocking.map((f) => <li key={f.id} className="odd-edge pl-2">{f.message}</li>)}
          </ul>
        )}
      </section>
      <section className="card p-4">
        <h2 className="mb-2 font-semibold">Files that go out</h2>
        <ol className="grid gap-1 text-sm">
          {assessment.documents.map((d) => (
            <li key={d.id} className="flex gap-3"><span className="min-w-0 flex-1 truncate font-mono">{names.get(d.id)}</span><span className="whitespace-nowrap text-ink-2">{d.pages.length === 1 ? `page ${d.pages[0]}` : `pages ${d.pages.join(', ')}`}</span></li>
          ))}
        </ol>
      </section>
    </div>
  )
}
