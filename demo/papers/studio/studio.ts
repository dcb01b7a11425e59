import { addDays, dayName } from '../../../core/text/index.ts'
import type { Dice } from '../../dice.ts'
import { grouped } from '../../story.ts'
import { esc, scrawl } from '../printed/print.ts'

/** A value under its label, as one layout sets it; several lines where the value has several. */
export interface Saying {
  label: string
  value: string
}

const two = (n: number): string => String(n).padStart(2, '0')
const parts = (iso: string) => ({ y: iso.slice(0, 4), mo: +iso.slice(5, 7), da: +iso.slice(8) })
const month = (iso: string): string => dayName(iso).split(' ')[1]
const ordinal = (n: number): string =>
  `${n}${n % 10 === 1 && n !== 11 ? 'st' : n % 10 === 2 && n !== 12 ? 'nd' : n % 10 === 3 && n !== 13 ? 'rd' : 'th'}`

/** Ways to write a day, with how the same way writes a stretch of days. */
const DAYS: readonly { day: (iso: string) => string; english: boolean }[] = [
  {
    day: (iso) => {
      const { y, mo, da } = parts(iso)
      return `${two(da)}/${two(mo)}/${y}`
    },
    english: false,
  },
  {
    day: (iso) => {
      const { y, mo, da } = parts(iso)
      return `${two(da)}.${two(mo)}.${y}`
    },
    english: false,
  },
  {
    day: (iso) => {
      const { y, mo, da } = parts(iso)
      return `${da}/${mo}/${y.slice(2)}`
    },
    english: false,
  },
  { day: (iso) => iso, english: false },
  {
    day: (iso) => {
      const { y, mo, da } = parts(iso)
      return `${two(da)}-${two(mo)}-${y}`
    },
    english: false,
  },
  { day: dayName, english: true },
  {
    day: (iso) => {
      const { y, da } = parts(iso)
      return `${ordinal(da)} ${month(iso)} ${y}`
    },
    english: true,
  },
  {
    day: (iso) => {
      const { y, da } = parts(iso)
      return `${two(da)}-${month(iso).slice(0, 3)}-${y}`
    },
    english: true,
  },
  {
    day: (iso) => {
      const { y, da } = parts(iso)
      return `${two(da)} ${month(iso).slice(0, 3).toUpperCase()} ${y}`
    },
    english: true,
  },
  {
    day: (iso) => {
      const { y, da } = parts(iso)
      return `${month(iso)} ${da}, ${y}`
    },
    english: true,
  },
  {
    day: (iso) => {
      const { y, da } = parts(iso)
      return `${da} ${month(iso).slice(0, 3)} ${y}`
    },
    english: true,
  },
]

const signed = (cents: number, thousands: string, decimal: string): string =>
  `${cents < 0 ? '-' : ''}${grouped(cents, thousands, decimal)}`
const SUMS: readonly { sum: (cents: number) => string; bare: (cents: number) => string }[] = [
  { sum: (c) => `EUR ${signed(c, ',', '.')}`, bare: (c) => signed(c, ',', '.') },
  { sum: (c) => `€${signed(c, ',', '.')}`, bare: (c) => signed(c, ',', '.') },
  { sum: (c) => `€ ${signed(c, ',', '.')}`, bare: (c) => signed(c, ',', '.') },
  { sum: (c) => `${signed(c, ',', '.')} EUR`, bare: (c) => signed(c, ',', '.') },
  { sum: (c) => `${signed(c, '.', ',')} €`, bare: (c) => signed(c, '.', ',') },
  { sum: (c) => `${signed(c, ' ', ',')} €`, bare: (c) => signed(c, ' ', ',') },
  { sum: (c) => signed(c, ',', '.'), bare: (c) => signed(c, ',', '.') },
]

const FACES = [
  'Lato',
  'Carlito',
  'Caladea',
  'Roboto',
  '"DejaVu Sans"',
  '"Liberation Serif"',
  '"Liberation Sans Narrow"',
  '"DejaVu Serif"',
]
const INKS = ['#14324a', '#5a1f2e', '#1f4d3a', '#3a2a5c', '#333', '#6b4a12', '#0d5c63']

/** One paper's design: typefaces, ways of writing, and how labels and values stand, all thrown once. */
export class Studio {
  readonly d: (iso: string) => string
  readonly m: (cents: number) => string
  /** An amount in a column whose head says the currency. */
  readonly bare: (cents: number) => string
  readonly css: string
  private readonly months: boolean
  private readonly way: number

  constructor(
    readonly dice: Dice,
    english = true,
  ) {
    const form = dice.pick(english ? DAYS : DAYS.filter((f) => !f.english))
    const sums = dice.pick(SUMS)
    ;[this.d, this.m, this.bare] = [form.day, sums.sum, sums.bare]
    this.months = form.english
    this.way = dice.int(0, 8)
    const ink = dice.pick(INKS)
    const size = dice.int(17, 22) / 2
    this.css =
      `body{font-family:${dice.pick(FACES)};font-size:${size}pt;line-height:${dice.pick([1.25, 1.4])}}` +
      `.page{padding:${dice.int(12, 22)}mm}` +
      `h1{color:${ink};font-size:${dice.int(13, 22)}pt;font-weight:${dice.pick([400, 600, 700])};` +
      `margin:3mm 0 5mm${dice.chance(0.3) ? ';text-align:center' : ''}${dice.chance(0.25) ? ';text-transform:uppercase' : ''}}` +
      `.firm{font-size:${dice.int(11, 17)}pt;color:${ink};font-weight:700}` +
      `.sub{font-size:${size - 1.5}pt;color:#555}` +
      `.band{background:${ink};color:#fff;padding:4mm 6mm;margin:-4mm -4mm 4mm}` +
      '.band .firm,.band h1{color:#fff}' +
      '.band h1{margin:0}' +
      `.spread{display:flex;justify-content:space-between;align-items:${dice.pick(['start', 'end'])}}` +
      `.kv td{padding:${dice.pick([0.6, 1.2, 2])}mm 2mm ${dice.pick([0.6, 1.2])}mm 0;` +
      'vertical-align:top}' +
      `.kv td:first-child{color:${dice.pick(['#555', '#000', ink])};width:${dice.int(45, 75)}mm}` +
      '.grid{display:grid;grid-template-columns:1fr 1fr;gap:3mm 6mm}' +
      '.box{border:.2mm solid #888;padding:1mm 2mm;min-height:11mm}' +
      `.box small,.cap small{display:block;color:#555;font-size:${size - 2.5}pt}` +
      '.cap{margin-bottom:3mm}' +
      '.cap b{font-weight:400;border-bottom:.2mm solid #777;display:block;padding:0 2mm}' +
      '.lead{display:flex;margin:.8mm 0}' +
      '.lead i{flex:1;border-bottom:.3mm dotted #888;margin:0 2mm 1mm}' +
      `.heads th{font-size:${size - 1.5}pt;text-align:left;color:${ink};font-weight:600;` +
      `padding:1mm 3mm 0 0;border-top:.3mm solid ${ink}}` +
      '.heads td{padding:0 3mm 2mm 0}' +
      `.lines th{${dice.pick([`background:${ink};color:#fff`, `border-bottom:.4mm solid ${ink}`, 'border:.2mm solid #777'])}` +
      ';padding:1.2mm 2mm;text-align:right;font-weight:600}' +
      `.lines td{padding:${dice.pick([0.8, 1.4])}mm 2mm;text-align:right;` +
      `vertical-align:top${dice.chance(0.4) ? ';border-bottom:.1mm solid #ccc' : ''}}` +
      '.lines td:not(.a),.lines td:first-child,.sums td:last-child{white-space:nowrap}' +
      '.lines .a{text-align:left}' +
      `.sums{width:${dice.int(75, 100)}mm;margin:3mm 0 3mm auto}` +
      '.sums td{padding:.8mm 2mm}' +
      '.sums td:last-child{text-align:right}' +
      `small.print{color:#666;font-size:${size - 2.5}pt}` +
      '.sg{display:flex;gap:12mm;margin-top:10mm;align-items:end}' +
      '.sg>div{min-width:55mm}' +
      '.ln{border-bottom:.3mm solid #333;min-height:14mm;display:flex;align-items:end}'
  }

  /** A stretch of days; where it is a month, a studio that writes months may say so. */
  period(start: string, end: string): string {
    const { dice } = this
    const whole =
      start.slice(0, 7) === end.slice(0, 7) && start.endsWith('-01') && +addDays(end, 1).slice(8) === 1
    if (whole && this.months && dice.chance(0.25))
      return dice.pick([
        `1–${parts(end).da} ${month(end)} ${parts(end).y}`,
        `${month(end)} ${parts(end).y}`,
        `1 to ${parts(end).da} ${month(end)} ${parts(end).y}`,
      ])
    return `${this.d(start)}${dice.pick([' to ', ' – ', ' - ', ' until ', ' through '])}${this.d(end)}`
  }

  page = (...parts: string[]): string => `<div class="page">${parts.join('')}</div>`

  label = (words: readonly string[]): string => this.dice.pick(words)

  head(firm: string, titles: readonly string[], under = ''): string {
    const title = this.dice.pick(titles)
    const sub = under ? `<div class="sub">${esc(under)}</div>` : ''
    return this.dice.pick([
      () =>
        `<div class="spread"><div><div class="firm">${esc(firm)}</div>${sub}</div><h1>${esc(title)}</h1></div>`,
      () => `<div class="firm">${esc(firm)}</div>${sub}<h1>${esc(title)}</h1>`,
      () => `<div class="band spread"><div class="firm">${esc(firm)}</div><h1>${esc(title)}</h1></div>${sub}`,
      () =>
        `<h1>${esc(title)}</h1><div class="spread"><div></div><div class="r"><div class="firm">${esc(firm)}</div>${sub}</div></div>`,
      () =>
        `<div style="text-align:center"><div class="firm">${esc(firm)}</div>${sub}<h1 style="text-align:center">${esc(title)}</h1></div>`,
    ])()
  }

  /** Labels with their values in the paper's way, or in another where a part of a paper is set otherwise. */
  say(sayings: readonly Saying[], way = this.way): string {
    if (sayings.length === 0) return ''
    const lines = (value: string) => esc(value).replaceAll('\n', '<br>')
    const one = (value: string) => esc(value.replaceAll('\n', ', '))
    const mark = this.dice.pick([':', ':', '', ' :'])
    switch (way) {
      case 0:
        return `<table class="kv">${sayings.map((s) => `<tr><td>${esc(s.label)}${mark}</td><td>${lines(s.value)}</td></tr>`).join('')}</table>`
      case 1:
        return (
          `<div class="grid">${sayings.map((s) => `<div class="box"><small>${esc(s.label)}</small>${lines(s.value) || '&nbsp;'}</div>`).join('')}` +
          '</div>'
        )
      case 2:
        return (
          `<div class="grid">${sayings.map((s) => `<div class="cap"><b>${one(s.value) || '&nbsp;'}</b><small>${esc(s.label)}</small></div>`).join('')}` +
          '</div>'
        )
      case 3:
        return sayings
          .map(
            (s, i) => `<p style="margin:1.5mm 0">${i + 1}. ${esc(s.label)}${mark} <b>${one(s.value)}</b></p>`,
          )
          .join('')
      case 4:
        return chunks(sayings, 3)
          .map(
            (row) =>
              `<table class="heads"><tr>${row.map((s) => `<th style="width:${100 / row.length}%">${esc(s.label)}</th>`).join('')}` +
              `</tr><tr>${row.map((s) => `<td>${lines(s.value)}</td>`).join('')}</tr></table>`,
          )
          .join('')
      case 5:
        return sayings
          .map(
            (s) => `<div class="lead"><span>${esc(s.label)}</span><i></i><span>${one(s.value)}</span></div>`,
          )
          .join('')
      case 6:
        return (
          `<table class="kv">${sayings
            .map(
              (s) =>
                `<tr><td style="text-align:right;padding-right:4mm">${esc(s.label)}</td><td><b>` +
                `${lines(s.value)}</b></td></tr>`,
            )
            .join('')}` + '</table>'
        )
      case 7:
        return `<table class="kv">${chunks(sayings, 2)
          .map(
            (row) =>
              `<tr>${row
                .map(
                  (s) =>
                    `<td style="width:38mm">${esc(s.label)}${mark}</td><td style="width:52mm;color:#000">` +
                    `${lines(s.value)}</td>`,
                )
                .join('')}` + '</tr>',
          )
          .join('')}</table>`
      default:
        return sayings
          .map((s) => `<div style="margin-bottom:2mm"><b>${esc(s.label)}</b><br>${lines(s.value)}</div>`)
          .join('')
    }
  }

  table(heads: readonly string[], rows: readonly (readonly string[])[], words: readonly number[]): string {
    const cell = (tag: string) => (text: string, i: number) =>
      `<${tag}${words.includes(i) ? ' class="a"' : ''}>${esc(text)}</${tag}>`
    return (
      `<table class="lines"><tr>${heads.map(cell('th')).join('')}</tr>` +
      `${rows.map((row) => `<tr>${row.map(cell('td')).join('')}</tr>`).join('')}</table>`
    )
  }

  sums = (sayings: readonly Saying[]): string =>
    `<table class="sums">${sayings
      .map(
        (s, i) =>
          `<tr><td>${i === sayings.length - 1 ? `<b>${esc(s.label)}</b>` : esc(s.label)}</td><td>` +
          `${esc(s.value)}</td></tr>`,
      )
      .join('')}` + '</table>'

  tick(label: string, options: readonly (readonly [string, boolean])[]): string {
    const [on, off] = this.dice.pick([
      ['☒', '☐'],
      ['☑', '☐'],
      ['●', '○'],
      ['[X]', '[ ]'],
    ])
    return (
      `<p>${esc(label)} &nbsp; ${options
        .map(
          ([text, yes]) =>
            `<span style="white-space:nowrap;margin-right:6mm"><span style="font-family:'DejaVu Sans'">` +
            `${yes ? on : off}</span> ${esc(text)}</span>`,
        )
        .join('')}` + '</p>'
    )
  }

  signature(signed: boolean, label: string, day: string, dateLabel: string | null): string {
    const ink = signed ? scrawl(this.dice.int) : '<div style="height:44px"></div>'
    const on = signed ? esc(day) : ''
    return this.dice.pick([
      () =>
        `<div class="sg"><div><div class="ln">${ink}</div>${esc(label)}</div>` +
        `${dateLabel ? `<div><div class="ln">${on}</div>${esc(dateLabel)}</div>` : ''}</div>`,
      () =>
        `<div class="sg"><div>${esc(label)}<div class="ln">${ink}</div></div>` +
        `${dateLabel ? `<div>${esc(dateLabel)}<div class="ln">${on}</div></div>` : ''}</div>`,
      () =>
        `<div class="sg"><div>${esc(label)}: ${ink}</div>${dateLabel ? `<div>${esc(dateLabel)}: ${on || '____________'}</div>` : ''}</div>`,
      () =>
        '<table style="margin-top:8mm"><tr>' +
        `${
          dateLabel
            ? '<td style="border:.2mm solid #777;padding:1mm 2mm;width:45mm;height:20mm;' +
              `vertical-align:top"><small>${esc(dateLabel)}</small><br>${on}</td>`
            : ''
        }` +
        '<td style="border:.2mm solid #777;padding:1mm 2mm;height:20mm;vertical-align:top"><small>' +
        `${esc(label)}</small><br>${ink}</td></tr></table>`,
    ])()
  }

  small = (words: readonly string[]): string =>
    `<p><small class="print">${esc(this.dice.pick(words))}</small></p>`
}

const chunks = <T>(list: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(list.length / size) }, (_, i) => list.slice(i * size, (i + 1) * size))
