import { amountIn, figuresOf } from './figures.ts'
import type { RequestSentences } from './words.ts'

const figures = figuresOf('es')
const { day, month, list } = figures
const pages = (numbers: readonly number[]): string =>
  numbers.length === 1 ? `la página ${numbers[0]}` : `las páginas ${list(numbers.map(String))}`

export const es: RequestSentences = {
  figures,
  reasons: {
    'requirement.none_there': () => 'Todavía no lo hemos recibido.',
    'requirement.none_of_applicant': ({ type }) => `El documento recibido no está a su nombre: ${type}.`,
    'requirement.none_of_persons': ({ persons }) =>
      `Todavía no tenemos nada para ${list(persons.map((p) => p ?? 'usted'))}.`,
    'requirement.persons_not_read': ({ but }, say) => say(but),
    'paper.lacks_pages': ({ paper, pages: lacking }) => `${paper}: nos falta ${pages(lacking)}.`,
    'paper.ran_out': ({ paper, day: on }) => `${paper} caducó el ${day(on)}.`,
    'paper.begins_later': ({ paper, day: on }) => `${paper} no empieza hasta el ${day(on)}.`,
    'paper.signature_asked': ({ paper }) => `No hemos encontrado ninguna firma: ${paper}.`,
    'paper.not_signed': ({ paper }) => `Este documento no está firmado: ${paper}.`,
    'paper.not_dated': ({ paper }) => `La fecha no está rellenada: ${paper}.`,
    'paper.dated_later': ({ paper, day: on }) =>
      `${paper} lleva una fecha que aún no ha llegado, ${day(on)}.`,
    'paper.too_old': ({ paper, day: on }) =>
      `Lo más reciente que tenemos es ${paper}, del ${day(on)}; es demasiado antiguo.`,
    'paper.other_currency': ({ paper, amount, needed }) =>
      `${paper} indica ${amountIn('es', amount)}; se necesitan ${amountIn('es', needed)}, en esa moneda.`,
    'paper.too_low': ({ paper, amount, needed }) =>
      `${paper} indica ${amountIn('es', amount)}; se necesitan ${amountIn('es', needed)}.`,
    'months.not_read': () => 'No hemos podido ver de qué meses es.',
    'months.lacking': ({ there, lacking }) =>
      `Tenemos ${list(there.map(month))}; falta ${list(lacking.map(month))}.`,
    'years.lacking': ({ years }) => `Falta el de ${list(years)}.`,
    'coverage.not_read': () => 'No hemos podido ver de qué período es.',
    'coverage.too_short': ({ covered, gap }) =>
      gap
        ? `Nada cubre el período del ${day(gap.start)} al ${day(gap.end)}.`
        : `Lo que tenemos cubre solo ${list(covered.map((c) => `del ${day(c.start)} al ${day(c.end)}`))}.`,
  },
  want: {
    whose: (persons) => `de ${list(persons)}`,
    applicant: 'la persona solicitante',
    notBefore: (on) => `con fecha del ${on} o posterior`,
    validOn: (on) => `todavía vigente el ${on}`,
    months: (count) => `de ${count} meses seguidos, hasta el más reciente`,
    lackingMonths: (months) => `de ${months}`,
    years: (years) => `de ${years}`,
    covers: (months) => `que cubra los últimos ${months} meses sin interrupción`,
    atLeast: (amount) => `de al menos ${amount}`,
    signed: 'firmado',
    dated: 'con la fecha rellenada',
    allPages: 'todas las páginas',
  },
  oneOf: 'Basta con uno de estos:',
  differs: (says) => `Sus documentos no coinciden: ${says}.`,
  says: (papers, value) => `${papers}: ${value}`,
  whichIsRight: '¿Qué es lo correcto?',
  yes: 'sí',
  no: 'no',
  doesNotFit: (says) =>
    `${says ? `Estos importes de sus documentos no encajan: ${says}.` : 'Algo no encaja aquí en sus documentos.'} Díganos por qué, o envíe lo que lo explique.`,
  hardToRead: (which, paper) => `No podemos leer bien ${which}: ${paper}.`,
  lacksPages: (which, paper) => `${paper}: nos falta ${which}.`,
  pages,
  rejected: (paper, reason) => `No podemos aceptar este documento: ${paper}. ${reason}`,
  again: 'Envíelo otra vez, por favor: completo, nítido y con buena luz.',
  sign: 'Fírmelo, por favor, y envíelo otra vez.',
  brought: {
    oneOf: (title, of) => `${title}, ${of}`,
    is: (paper) => `Esto es: ${paper}.`,
    does: 'Es lo que pedimos.',
    asked: (wanted) => `Pedimos: ${wanted}.`,
    already: 'Ya lo tenemos.',
    notAsked: 'No lo pedimos; lo guardamos de todos modos.',
    notSure: 'Lo mira una persona.',
  },
  subject: (lender, caseNumber) => `${lender}: lo que aún necesitamos para ${caseNumber}`,
  opening: (applicant) =>
    `Hola${applicant ? `, ${applicant}` : ''}:\n\ngracias por sus documentos. Para continuar necesitamos todavía lo siguiente.`,
  reminderOpening: (applicant, on) =>
    `Hola${applicant ? `, ${applicant}` : ''}:\n\nel ${on} le pedimos unos documentos. Esto sigue pendiente.`,
  askedBefore: (on) => `(Ya lo pedimos el ${on}.)`,
  link: 'Envíe documentos y respuestas aquí, desde un teléfono o un ordenador, sin instalar nada:',
  due: (on) => `Responda, por favor, antes del ${on}.`,
  byMail: 'También puede responder a este mensaje y adjuntar los documentos.',
  closing: (lender) => `Gracias,\n${lender}`,
  thanks: (applicant, lender) =>
    `Hola${applicant ? `, ${applicant}` : ''}:\n\ngracias: tenemos su respuesta a todo lo que pedimos. Si hace falta algo más, le escribiremos.\n\n${lender}`,
  calledBack: (applicant, lender) =>
    `Hola${applicant ? `, ${applicant}` : ''}:\n\nlo que le pedimos ya no hace falta. No tiene que hacer nada.\n\n${lender}`,
}
