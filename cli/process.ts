import './short-run.ts'
import { mkdir, readFile, writeFile } from 'node:fs/promises'
import { basename, join } from 'node:path'
import { Command, CommanderError } from 'commander'
import { z } from 'zod'
import { reportOf } from '../core/handover/index.ts'
import { pathsOf, usualReceiver } from '../core/receivers/index.ts'
import { UnreadableFile } from '../core/program/index.ts'
import { knowledgeOf, lenderOf, programOf, Refused, typesOf } from './configuration.ts'
import { given } from './paths.ts'
import { writeAll } from '../engine/handover/write-all.ts'
import { judgeRead } from '../engine/pipeline/headless.ts'
import { readPackage } from '../engine/pipeline/read-package.ts'
import { Threads, threadsHere } from '../engine/parallel/pool.ts'
import { inWords } from '../wording/index.ts'

const options = z.object({
  program: z.string(),
  types: z.string().min(1).optional(),
  lender: z.string().min(1).optional(),
  knowledge: z.string().min(1).optional(),
  asOf: z.iso.date({ error: 'a day is written YYYY-MM-DD' }),
  out: z.string().min(1),
})

async function main(): Promise<void> {
  const command = new Command('process')
    .requiredOption('--program <id>')
    .option('--types <file>', 'document types; with it no others take part')
    .option('--lender <file>', 'how its papers are written: currency, order of day and month')
    .option('--knowledge <file>', 'rules and samples of confirmed papers')
    .option('--as-of <date>', 'the day to judge on', new Date().toISOString().slice(0, 10))
    .requiredOption('--out <dir>')
    .argument('<file...>')
    .exitOverride()
    .configureOutput({ writeErr: () => undefined })
    .parse()
  const parsed = options.safeParse(command.opts())
  if (!parsed.success)
    throw new Refused(parsed.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '))
  const types = await typesOf(parsed.data.types)
  const program = await programOf(parsed.data.program, types)
  const lender = await lenderOf(parsed.data.lender)
  const knowledge = await knowledgeOf(parsed.data.knowledge)
  const started = performance.now()
  const incoming = await Promise.all(
    command.args.map(async (path) => ({
      name: basename(path),
      bytes: new Uint8Array(
        await readFile(given(path)).catch(() => {
          throw new Refused(`the file ${path} cannot be read`)
        }),
      ),
    })),
  )
  let told = 0
  const threads = threadsHere ? new Threads(types, lender) : undefined
  const read = await readPackage(
    incoming,
    types,
    (done, all) => {
      if (performance.now() - told < 500 && done < all) return
      told = performance.now()
      process.stderr.write(`\r${done} of ${all} pages read`)
    },
    threads,
  )
  process.stderr.write('\n')
  if (read.pages.length === 0)
    throw new Refused(
      `no file of the package could be used: ${read.files.map((f) => `${f.name}: ${f.problem}`).join(' ')}`,
    )
  const readAt = performance.now()
  const { situation, assessment } = await judgeRead(
    read,
    { program, types, lender, asOf: parsed.data.asOf, knowledge },
    threads,
  )
  await threads?.close()
  const judgedAt = performance.now()
  const out = given(parsed.data.out)
  await mkdir(out, { recursive: true })
  const paths = pathsOf(assessment.documents, usualReceiver, types, {
    caseNumber: '',
    reference: '',
    applicant: '',
    program: program.title,
  })
  const written = await writeAll(
    join(out, 'documents'),
    read.originals,
    assessment.documents.map((d) => ({
      name: basename(paths.get(d.id)!),
      pages: d.pages.map((n) => situation.pages[n - 1]),
    })),
  )
  const timing = {
    readMs: Math.round(readAt - started),
    judgeMs: Math.round(judgedAt - readAt),
    writeMs: Math.round(performance.now() - judgedAt),
  }
  await writeFile(
    join(out, 'report.json'),
    JSON.stringify(reportOf(situation, assessment, inWords, timing), null, 1),
  )
  for (const made of written)
    if ('problem' in made) process.stderr.write(`${made.name} is not written: ${made.problem}\n`)
    else if (made.drawn)
      process.stderr.write(
        `${made.name}: its pages could not be taken over as they came and were drawn anew\n`,
      )
  process.stderr.write(
    `${assessment.documents.length} documents, ${assessment.findings.length} findings; ${join(out, 'report.json')}\n`,
  )
}

main().catch((error: unknown) => {
  const refused =
    error instanceof Refused || error instanceof UnreadableFile || error instanceof CommanderError
  process.stderr.write(
    `jigsa process: ${error instanceof Error ? (refused ? error.message.replace(/^error: /, '') : (error.stack ?? error.message)) : String(error)}\n`,
  )
  process.exitCode = refused ? 2 : 1
})
