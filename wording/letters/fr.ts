import type { LetterWords } from './words.ts'

export const fr: LetterWords = {
  pages: (n) => (n <= 1 ? `${n} page` : `${n} pages`),
  files: (n) => (n <= 1 ? `${n} fichier` : `${n} fichiers`),
  thanks: (files, pages) => `Merci. Nous avons bien reçu ${files}${pages ? ` (${pages})` : ''}.`,
  reading:
    'Vos documents sont en cours de traitement. Nous vous écrirons dès que nous saurons ce qu’ils contiennent.',
  filed: (caseNumber) =>
    `Votre dossier porte le numéro ${caseNumber}. Pour le compléter, répondez simplement à ce message.`,
  arrived: 'Documents reçus :',
  there: 'Parmi les pièces demandées, nous avons :',
  lacking: 'Il nous manque encore :',
  complete: 'Rien d’autre n’est nécessaire pour le moment.',
  unusable: 'Nous n’avons pas pu utiliser :',
  unsure: 'à confirmer',
  unchecked: (title) => `${title} : pas encore vérifié ; une personne s’en charge`,
  exceeded: (title, said, most) => `${title} : ${said} dépasse les ${most} autorisés`,
  refused: 'Rien n’a pu être pris en compte :',
  unexpected: (title, expected) => `Ceci ressemble à : ${title}. Attendu : ${expected}`,
  identity: {
    valid: 'Pièce d’identité vérifiée : valide',
    'not valid': 'Pièce d’identité vérifiée : non valide',
    'cannot tell': 'Pièce d’identité vérifiée : sans conclusion',
    asked: 'La pièce d’identité est en cours de vérification',
  },
  status: {
    missing: 'pas encore reçu',
    incomplete: 'incomplet',
    expired: 'périmé',
    unsigned: 'non signé',
    insufficient: 'insuffisant',
  },
  problem: {
    locked: 'Ce fichier est protégé par un mot de passe. Merci de l’envoyer sans protection.',
    damaged: 'Ce fichier est endommagé et ne s’ouvre pas. Merci de le renvoyer.',
    empty: 'Ce fichier est vide.',
    kind: 'Ce type de fichier ne peut pas être lu ici. Merci d’envoyer un PDF, JPEG, PNG ou TIFF.',
    large: 'Ce fichier est trop volumineux. Merci de l’envoyer en plusieurs parties.',
    malware: 'Ce fichier a été écarté, car il contient un élément nuisible.',
    twice: 'Ce fichier avait déjà été reçu.',
    other: 'Ce fichier ne peut pas être utilisé. Merci de le renvoyer ou de répondre à ce message.',
  },
  farewell: (lender) => `${lender}\nCe message a été rédigé par une machine ; vos réponses sont lues.`,
}
