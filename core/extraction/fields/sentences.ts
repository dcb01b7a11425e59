import { linesOf, type Segment } from '../../layout/index.ts'
import { type Page, type Word, localeOf } from '../../model/index.ts'
import { squeeze } from '../../text/index.ts'
import type { Field } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { kindReaders } from '../parsers/index.ts'
import { isDay } from '../parsers/date.ts'
import { LEGAL_FORM, nameLikeness, orgLikeness, withoutTitle } from '../parsers/words.ts'

/** Names and dates that stand in running text: "I, Ottilie Varnham, agree", a letter's date line. */
export function sentenceCandidates(page: Page, field: Field): Candidate[] {
  const lines = linesOf(page)
  if (field.kind === 'name')
    return lines.flatMap((line, index): Candidate[] => {
      const mailed = mailName(page, field, index)
      if (mailed) return [mailed]
      const closing = field.labels.some(
        (label) => label.includes(' ') && squeeze(line.text).includes(squeeze(label)),
      )
        ? signer(page, field, index)
        : null
      if (closing) return [closing]
      const start = line.words.findIndex(
        (w, i) => saysI(w, i, page) && /^(?:\(?\p{Lu}|the$)/u.test(line.words[i + 1]?.text ?? ''),
      )
      if (start < 0) return []
      let from = start + 1
      if (/^the$/i.test(line.words[from].text))
        from += /^undersigned/i.test(line.words[from + 1]?.text ?? '') ? 2 : 1
      const run: Word[] = []
      for (let i = from; i < line.words.length && run.length < 6; i++) {
        const word = line.words[i]
        if (
          !(i === from ? /^\(?\p{Lu}/u : /^\p{Lu}/u).test(word.text) &&
          !/^(?:de|van|von|le|la|del|y)$/.test(word.text)
        )
          break
        run.push(word)
        if (/[,;.)]$/.test(word.text) && word.text.length > 2) break
      }
      const raw = run.map((w) => w.text).join(' ')
      const value = withoutTitle(raw.replace(/^\(|[,;.(]+$/g, ''))
      // "1 Harbour Street, Alder Bay": only where a verb follows is the stroke a person.
      if (
        !/^I/.test(line.words[start].text) &&
        !/^\p{Ll}{3}/u.test(line.words[from + run.length]?.text ?? '')
      )
        return []
      return run.length > 1 && nameLikeness(value) > 0.9 && orgLikeness(value) < 1
        ? [{ field: field.name, value, raw, words: run, page, repaired: false, score: 3.2 }]
        : []
    })
  if (field.kind === 'org')
    return [
      ...lines.flatMap((_, index) => certified(page, field, index)),
      ...lines
        .filter(
          (line) =>
            line.segments.length === 1 &&
            line.words.length <= 7 &&
            line.box[1] < 0.75 &&
            orgLikeness(line.text) === 1 &&
            !/[,;]$/.test(line.text),
        )
        .map((line) => ({
          field: field.name,
          value: line.text.replace(/,$/, ''),
          raw: line.text,
          words: line.words,
          page,
          repaired: false,
          score: LEGAL_FORM.test(line.text) ? 1.6 : 0.9,
        })),
    ]
  if (field.kind === 'date')
    return lines.flatMap((line, index) =>
      line.box[1] > 0.5
        ? []
        : line.segments.flatMap((segment): Candidate[] => {
            const found = kindReaders.date(segment.words, localeOf(page))
            return found
              .slice(0, 1)
              .filter(
                (r) =>
                  (r.words.length >= segment.words.length - 3 || closes(r.words, segment)) && isDay(r.raw),
              )
              .map((r) => ({
                field: field.name,
                value: r.value,
                raw: r.raw,
                words: r.words,
                page,
                repaired: r.repaired,
                score: 2 - index * 0.05 - (segment.words.length - r.words.length) * 0.25,
              }))
          }),
    )
  return []
}

/**
 * "I, Magnus Carrow, authorise": readers of pictures take the one stroke for another letter, and "L" would be
 * an initial of the name.
 */
const saysI = (word: Word, at: number, page: Page): boolean =>
  /^I,?$/.test(word.text) || (page.source !== 'text' && at === 0 && /^[l1|!],?$/i.test(word.text))

/** The firm that a certificate is of: behind "certify that", in the same line or as the next one. */
function certified(page: Page, field: Field, index: number): Candidate[] {
  const lines = linesOf(page)
  const { words } = lines[index]
  const that = words.findIndex((w, i) => /^that$/i.test(w.text) && /^certif/i.test(words[i - 1]?.text ?? ''))
  if (that < 0) return []
  const rest = words.slice(that + 1)
  const behind = rest.length > 0 ? rest : (lines[index + 1]?.words ?? [])
  const end = behind.findIndex((w) => !/^(?:[\p{Lu}&(]|and$|of$)/u.test(w.text))
  const comma = behind.findIndex((w) => /[,;]$/.test(w.text))
  const run = behind.slice(0, Math.min(end < 0 ? behind.length : end, comma < 0 ? behind.length : comma + 1))
  const raw = run.map((w) => w.text).join(' ')
  const value = raw.replace(/[,;.]+$/, '').replace(/\s+(?:and|of)$/, '')
  return run.length > 1 && orgLikeness(value) >= 0.8
    ? [{ field: field.name, value, raw, words: run, page, repaired: false, score: 3.2 }]
    : []
}

/** The person that a letter confirms something of: "We hereby confirm that Ruaridh Lefèvre is an employee". */
export const personsConfirmed = (page: Page, field: Field): Candidate[] =>
  linesOf(page).flatMap((_, index) => personThat(page, field, index) ?? [])

function personThat(page: Page, field: Field, index: number): Candidate | null {
  const lines = linesOf(page)
  const words = [...lines[index].words, ...(lines[index + 1]?.words ?? [])]
  const that = words.findIndex(
    (w, i) =>
      i < lines[index].words.length &&
      /^that$/i.test(w.text) &&
      /^(?:confirm|certif|stat|declar|attest)/i.test(words[i - 1]?.text ?? ''),
  )
  if (that < 0) return null
  const rest = words.slice(that + 1)
  const end = rest.findIndex((w) => !/^\p{Lu}/u.test(w.text) && !/^(?:de|van|von|le|la|del|y)$/.test(w.text))
  const run = rest.slice(0, end < 0 ? rest.length : end)
  const raw = run.map((w) => w.text).join(' ')
  const value = withoutTitle(raw.replace(/[,;.(]+$/, ''))
  return run.length > 1 && run.length < 6 && nameLikeness(value) > 0.9 && orgLikeness(value) < 1
    ? { field: field.name, value, raw, words: run, page, repaired: false, score: 3 }
    : null
}

/**
 * Whether a day ends a short line behind a comma, as letters and forms are headed: "To Alder Bay Mutual,
 * 28 March 2026".
 */
function closes(day: readonly Word[], { words }: Segment): boolean {
  const before = words[words.indexOf(day[0]) - 1]
  return (
    words.length <= 10 &&
    words.at(-1) === day.at(-1) &&
    before !== undefined &&
    (before.text.endsWith(',') || /^(?:le|el|the)$/i.test(before.text))
  )
}

/** Who sent a printed e-mail: the name before an address in angle brackets, unless it is one of those it went to. */
function mailName(page: Page, field: Field, index: number): Candidate | null {
  const line = linesOf(page)[index]
  const at = line.words.findIndex((w) => /^[<([]\S[^\s@]*@\S+[>)\]]$/.test(w.text))
  if (at < 1 || line.box[1] > 0.4 || /^(?:to|cc|bcc|an|à|para)\b:?/i.test(line.text)) return null
  const before = line.segments.find((s) => s.words.includes(line.words[at - 1]))!.words
  const own = before
    .slice(before.findLastIndex((w, i) => i < before.length - 1 && /:$/.test(w.text)) + 1)
    .filter((w) => line.words.indexOf(w) < at)
  const [name] = kindReaders.name(own)
  return name && name.plausibility >= 0.95
    ? {
        field: field.name,
        value: name.value,
        raw: name.raw,
        words: name.words,
        page,
        repaired: false,
        score: 3.6,
      }
    : null
}

const LEGIBLE = 0.6

/** The name printed under a letter's closing line, with room for a signature between. */
function signer(page: Page, field: Field, closing: number): Candidate | null {
  const lines = linesOf(page)
  const { box } = lines[closing]
  for (const line of lines.slice(closing + 1)) {
    if (line.box[1] - box[3] > 0.13) return null
    const segment = line.segments.find((s) => Math.abs(s.box[0] - box[0]) < 0.04)
    const [name] = segment ? kindReaders.name(segment.words) : []
    // What is hardly legible is likely the signature over it.
    if (name && name.plausibility > 0.9 && name.words.some((w) => w.confidence >= LEGIBLE))
      return {
        field: field.name,
        value: name.value,
        raw: name.raw,
        words: name.words,
        page,
        repaired: false,
        score: 3.4,
      }
  }
  return null
}
