import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { join } from 'node:path'
import { and, asc, eq, isNull } from 'drizzle-orm'
import type { Document } from '../../core/findings/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import {
  goingOut,
  outlineOf,
  pathsOf,
  type About,
  type Receiver,
  typeName,
  usualXml,
  type ValueOut,
  valuesOut,
} from '../../core/receivers/index.ts'
import { clearScratch, makeScratch } from '../../engine/box/index.ts'
import { csvOf } from '../../engine/handover/csv.ts'
import { writeSpreadsheet } from '../../engine/handover/spreadsheet.ts'
import { xmlOf, type XmlSource } from '../../engine/handover/xml.ts'
import { xmlFaults } from '../../engine/handover/xml-check.ts'
import { programAt } from '../configuration/programs.ts'
import { database } from '../database/connection.ts'
import { answers, packages, user } from '../database/schema.ts'
import { readers } from '../jobs/readers.ts'
import { Refused } from '../packages/states.ts'
import { settings } from '../settings.ts'
import { DocumentsOut, type DocumentOut } from './documents-out.ts'
import { handedOver, type HandedOver } from './finished.ts'

/** A file of a hand-over: where it goes, and where it lies or what it says. */
export type Entry = { path: string; disk: string } | { path: string; bytes: Buffer }

/** Something of a hand-over could not be made as it should be, and goes out otherwise. */
export interface Remark {
  path: string
  text: string
}

/** What is known of a package before anything is made of it. */
interface Given {
  packageId: string
  receiver: Receiver
  out: HandedOver
  /** Those that go, in the receiver's order, and the path of each. */
  documents: readonly Document[]
  paths: ReadonlyMap<string, string>
  about: About & { asOf: string }
  facts: XmlSource['facts']
  /** Who said each value last, by `page field`. */
  confirmed: ReadonlyMap<string, string>
}

/**
 * Makes what goes to a receiver of one package, piece by piece: documents are cut a run at a time and lie on disk, and
 * nothing of the whole package is in memory but its values. Close it, and its folder is gone.
 */
export class Making {
  private readonly folder = makeScratch()
  private readonly cutter: DocumentsOut
  readonly remarks: Remark[] = []

  private constructor(readonly given: Given) {
    this.cutter = new DocumentsOut(given.packageId)
  }

  static async of(packageId: string, receiver: Receiver): Promise<Making> {
    const out = await handedOver(packageId)
    const [row] = await database().select().from(packages).where(eq(packages.id, packageId))
    const program = await programAt(database(), row.organisationId, row.program, row.programVersion)
    const about = {
      caseNumber: row.caseNumber,
      reference: row.reference ?? '',
      applicant: row.applicant ?? '',
      program: program?.title ?? row.program,
      asOf: row.asOf,
    }
    const documents = goingOut(out.documents, receiver)
    return new Making({
      packageId,
      receiver,
      out,
      documents,
      paths: pathsOf(documents, receiver, out.types, about),
      about,
      facts: row.assessment?.facts ?? [],
      confirmed: await confirmedIn(packageId),
    })
  }

  close(): void {
    this.cutter.close()
    clearScratch(this.folder)
  }

  private get types(): readonly DocumentType[] {
    return this.given.out.types
  }

  /** A PDF for each document, as it is cut. One that cannot be is remarked on, and the files that its pages are in go along. */
  async *pdfs(): AsyncGenerator<Entry> {
    const along = new Set<string>()
    for await (const made of this.cut()) {
      const path = this.given.paths.get(made.name)!
      if ('path' in made) {
        if (made.drawn)
          this.remarks.push({
            path,
            text: 'Its pages could not be taken over as they came and were drawn anew.',
          })
        yield { path, disk: made.path }
      } else {
        const names = made.originals.map((o) => o.name)
        this.remarks.push({ path, text: `${made.problem} Its pages are in ${names.join(', ')}.` })
        for (const { name, path: disk } of made.originals)
          if (!along.has(name)) yield { path: originalName(along.add(name).size, name), disk }
      }
    }
  }

  /** One PDF of all documents in order, with contents, bookmarks and page labels. @throws Refused where one cannot be cut */
  async whole(): Promise<Entry> {
    const cut = new Map<string, string>()
    for await (const made of this.cut())
      if ('path' in made) cut.set(made.name, made.path)
      else
        throw new Refused(
          `One PDF of all cannot be made: ${this.given.paths.get(made.name) ?? made.name}: ${made.problem}`,
        )
    const path = join(this.folder, 'whole.pdf')
    const { caseNumber, reference, applicant, program, asOf } = this.given.about
    await readers().join(path, {
      title: caseNumber,
      about: [applicant, [program, reference, asOf].filter((s) => s !== '').join(' · ')].filter(
        (s) => s !== '',
      ),
      parts: this.given.documents.map((d) => cut.get(d.id)!),
      marks: outlineOf(this.given.documents, this.given.receiver, this.types),
    })
    return { path: `${caseNumber}.pdf`, disk: path }
  }

  private cut(): AsyncGenerator<DocumentOut> {
    return this.cutter.cut(this.given.documents.map((d) => ({ name: d.id, pages: d.pages })))
  }

  values(): ValueOut[] {
    const at = `${settings().BASE_URL}/packages/${this.given.packageId}/values`
    return valuesOut(this.given.documents, this.given.receiver, this.types, {
      files: this.given.paths,
      confirmedBy: (document, field) =>
        document.pages.map((page) => this.given.confirmed.get(`${page} ${field}`)).find((name) => name) ?? '',
      linkTo: (page, field) => `${at}?page=${page}&field=${encodeURIComponent(field)}`,
    })
  }

  csv = (): Entry => ({ path: 'values.csv', bytes: Buffer.from(csvOf(this.values(), this.given.about)) })

  async xlsx(): Promise<Entry> {
    const disk = join(this.folder, 'values.xlsx')
    const papers = this.given.documents.map((d) => ({
      label: d.label,
      typeName: typeName(this.given.receiver, this.types, d.type),
      file: this.given.paths.get(d.id)!,
      pages: d.pages,
    }))
    await writeSpreadsheet(disk, papers, this.values())
    return { path: 'values.xlsx', disk }
  }

  /** @throws Refused where it does not hold to the receiver's schema: nobody is to get what they cannot take */
  async xml(): Promise<Entry> {
    const xml = xmlOf(this.given.receiver.xml ?? usualXml(this.given.documents, this.types), {
      about: this.given.about,
      papers: this.given.documents,
      facts: this.given.facts,
    })
    const [fault] = this.given.receiver.xsd ? await xmlFaults(xml, this.given.receiver.xsd) : []
    if (fault)
      throw new Refused(`The XML does not hold to the schema of ${this.given.receiver.title}: ${fault}`)
    return { path: 'package.xml', bytes: Buffer.from(xml) }
  }

  /** All that the receiver asked for, in the order of its contents; remarks come last, in a file of their own. */
  async *entries(): AsyncGenerator<Entry> {
    for (const content of this.given.receiver.contents)
      switch (content) {
        case 'documents':
          yield* this.pdfs()
          break
        case 'whole':
          yield await this.whole()
          break
        case 'csv':
          yield this.csv()
          break
        case 'xlsx':
          yield await this.xlsx()
          break
        case 'xml':
          yield await this.xml()
          break
        case 'report':
          yield { path: 'report.json', bytes: Buffer.from(this.given.out.report) }
          break
        case 'history':
          yield { path: 'history.json', bytes: Buffer.from(this.given.out.history) }
          break
      }
    if (this.remarks.length > 0)
      yield {
        path: 'notes.txt',
        bytes: Buffer.from(this.remarks.map(({ path, text }) => `${path}: ${text}\n`).join('')),
      }
  }
}

/** A stranger's file name says anything: what it is called among what goes out leads nowhere else. */
const originalName = (place: number, name: string): string =>
  `originals/${String(place).padStart(2, '0')}-${name.replace(/[^\p{L}\p{N}._ -]+/gu, '-').slice(-120)}`

/** Who said each value last, by `page field`. */
async function confirmedIn(packageId: string): Promise<Map<string, string>> {
  const rows = await database()
    .select({ body: answers.body, name: user.name })
    .from(answers)
    .leftJoin(user, eq(user.id, answers.userId))
    .where(and(eq(answers.packageId, packageId), isNull(answers.undoneAt)))
    .orderBy(asc(answers.id))
  return new Map(
    rows.flatMap(({ body, name }): [string, string][] =>
      body.kind === 'value' ? [[`${body.page} ${body.field}`, name ?? 'a person']] : [],
    ),
  )
}

/** SHA-256 of a file of a hand-over and its bytes. */
export async function digestOf(entry: Entry): Promise<{ sha256: string; size: number }> {
  const hash = createHash('sha256')
  if ('bytes' in entry) return { sha256: hash.update(entry.bytes).digest('hex'), size: entry.bytes.length }
  let size = 0
  for await (const part of createReadStream(entry.disk) as AsyncIterable<Buffer>) {
    hash.update(part)
    size += part.length
  }
  return { sha256: hash.digest('hex'), size }
}
