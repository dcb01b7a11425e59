import { figuresOf, amountIn } from './figures.ts'
import type { RequestSentences } from './words.ts'

const figures = figuresOf('fr')
const { day, month, list } = figures
const pages = (numbers: readonly number[]): string =>
  numbers.length === 1 ? `la page ${numbers[0]}` : `les pages ${list(numbers.map(String))}`

export const fr: RequestSentences = {
  figures,
  reasons: {
    'requirement.none_there': () => 'Nous ne l’avons pas encore reçu.',
    'requirement.none_of_applicant': ({ type }) => `Le document reçu n’est pas à votre nom : ${type}.`,
    'requirement.none_of_persons': ({ persons }) =>
      `Nous n’avons encore rien pour ${list(persons.map((p) => p ?? 'vous'))}.`,
    'requirement.persons_not_read': ({ but }, say) => say(but),
    'paper.lacks_pages': ({ paper, pages: lacking }) => `${paper} : il nous manque ${pages(lacking)}.`,
    'paper.ran_out': ({ paper, day: on }) => `${paper} a expiré le ${day(on)}.`,
    'paper.begins_later': ({ paper, day: on }) => `${paper} ne commence que le ${day(on)}.`,
    'paper.signature_asked': ({ paper }) => `Nous n’avons pas trouvé de signature : ${paper}.`,
    'paper.not_signed': ({ paper }) => `Ce document n’est pas signé : ${paper}.`,
    'paper.not_dated': ({ paper }) => `La date n’est pas remplie : ${paper}.`,
    'paper.dated_later': ({ paper, day: on }) => `${paper} porte une date à venir, le ${day(on)}.`,
    'paper.too_old': ({ paper, day: on }) =>
      `Le plus récent que nous ayons est ${paper}, du ${day(on)} ; c’est trop ancien.`,
    'paper.other_currency': ({ paper, amount, needed }) =>
      `${paper} indique ${amountIn('fr', amount)} ; il faut ${amountIn('fr', needed)}, dans cette monnaie.`,
    'paper.too_low': ({ paper, amount, needed }) =>
      `${paper} indique ${amountIn('fr', amount)} ; il faut ${amountIn('fr', needed)}.`,
    'months.not_read': () => 'Nous n’avons pas pu voir de quels mois il s’agit.',
    'months.lacking': ({ there, lacking }) =>
      `Nous avons ${list(there.map(month))} ; il manque ${list(lacking.map(month))}.`,
    'years.lacking': ({ years }) => `Il manque celui de ${list(years)}.`,
    'coverage.not_read': () => 'Nous n’avons pas pu voir de quelle période il s’agit.',
    'coverage.too_short': ({ covered, gap }) =>
      gap
        ? `Rien ne couvre la période du ${day(gap.start)} au ${day(gap.end)}.`
        : `Ce que nous avons couvre seulement ${list(covered.map((c) => `du ${day(c.start)} au ${day(c.end)}`))}.`,
  },
  want: {
    whose: (persons) => `de ${list(persons)}`,
    applicant: 'la personne qui fait la demande',
    notBefore: (on) => `daté du ${on} ou plus récent`,
    validOn: (on) => `encore valable le ${on}`,
    months: (count) => `pour ${count} mois de suite, jusqu’au plus récent`,
    lackingMonths: (months) => `pour ${months}`,
    years: (years) => `pour ${years}`,
    covers: (months) => `couvrant les ${months} derniers mois sans interruption`,
    atLeast: (amount) => `d’au moins ${amount}`,
    signed: 'signé',
    dated: 'avec la date remplie',
    allPages: 'toutes les pages',
  },
  oneOf: 'Un seul de ceux-ci suffit :',
  differs: (says) => `Vos documents ne concordent pas : ${says}.`,
  says: (papers, value) => `${papers} : ${value}`,
  whichIsRight: 'Qu’est-ce qui est juste ?',
  yes: 'oui',
  no: 'non',
  doesNotFit: (says) =>
    `${says ? `Ces montants de vos documents ne concordent pas : ${says}.` : 'Quelque chose ne concorde pas ici dans vos documents.'} Dites-nous pourquoi, ou envoyez ce qui l’explique.`,
  hardToRead: (which, paper) => `Nous ne pouvons pas bien lire ${which} : ${paper}.`,
  lacksPages: (which, paper) => `${paper} : il nous manque ${which}.`,
  pages,
  rejected: (paper, reason) => `Nous ne pouvons pas accepter ce document : ${paper}. ${reason}`,
  again: 'Merci de l’envoyer à nouveau : en entier, net et bien éclairé.',
  sign: 'Merci de le signer et de le renvoyer.',
  brought: {
    oneOf: (title, of) => `${title}, ${of}`,
    is: (paper) => `C’est : ${paper}.`,
    does: 'C’est bien ce que nous avons demandé.',
    asked: (wanted) => `Nous avons demandé : ${wanted}.`,
    already: 'Nous l’avons déjà.',
    notAsked: 'Nous ne l’avons pas demandé ; nous le gardons quand même.',
    notSure: 'Une personne le regarde.',
  },
  subject: (lender, caseNumber) => `${lender} : ce qu’il nous faut encore pour ${caseNumber}`,
  opening: (applicant) =>
    `Bonjour${applicant ? ` ${applicant}` : ''},\n\nmerci pour vos documents. Pour continuer, il nous faut encore ce qui suit.`,
  reminderOpening: (applicant, on) =>
    `Bonjour${applicant ? ` ${applicant}` : ''},\n\nnous vous avons demandé des documents le ${on}. Ceci reste à faire.`,
  askedBefore: (on) => `(Déjà demandé le ${on}.)`,
  link: 'Envoyez documents et réponses ici, d’un téléphone ou d’un ordinateur, sans rien installer :',
  due: (on) => `Merci de répondre avant le ${on}.`,
  byMail: 'Vous pouvez aussi répondre à ce message en joignant les documents.',
  closing: (lender) => `Merci,\n${lender}`,
  thanks: (applicant, lender) =>
    `Bonjour${applicant ? ` ${applicant}` : ''},\n\nmerci : nous avons votre réponse à tout ce que nous avons demandé. S’il faut autre chose, nous vous écrirons.\n\n${lender}`,
  calledBack: (applicant, lender) =>
    `Bonjour${applicant ? ` ${applicant}` : ''},\n\nce que nous vous avions demandé n’est plus nécessaire. Vous n’avez rien à faire.\n\n${lender}`,
}
