import type { LetterWords } from './words.ts'

export const es: LetterWords = {
  pages: (n) => (n === 1 ? '1 página' : `${n} páginas`),
  files: (n) => (n === 1 ? '1 archivo' : `${n} archivos`),
  thanks: (files, pages) => `Gracias. Hemos recibido ${files}${pages ? ` (${pages})` : ''}.`,
  reading: 'Sus documentos se están procesando. Le escribiremos en cuanto sepamos qué contienen.',
  filed: (caseNumber) =>
    `Su expediente tiene el número ${caseNumber}. Para completarlo, responda a este mensaje.`,
  arrived: 'Documentos recibidos:',
  there: 'De lo que se pide, ya tenemos:',
  lacking: 'Todavía falta:',
  complete: 'Por ahora no hace falta nada más.',
  unusable: 'No se ha podido utilizar:',
  unsure: 'por confirmar',
  unchecked: (title) => `${title}: aún no se ha podido comprobar; lo revisará una persona`,
  exceeded: (title, said, most) => `${title}: ${said} supera el máximo permitido de ${most}`,
  refused: 'No se ha podido aceptar nada:',
  unexpected: (title, expected) => `Esto parece: ${title}. Se esperaba: ${expected}`,
  identity: {
    valid: 'Documento de identidad comprobado: válido',
    'not valid': 'Documento de identidad comprobado: no válido',
    'cannot tell': 'Documento de identidad comprobado: sin conclusión',
    asked: 'Se está comprobando el documento de identidad',
  },
  status: {
    missing: 'aún no recibido',
    incomplete: 'incompleto',
    expired: 'caducado',
    unsigned: 'sin firma',
    insufficient: 'insuficiente',
  },
  problem: {
    locked: 'El archivo está protegido con contraseña. Envíelo sin protección, por favor.',
    damaged: 'El archivo está dañado y no se puede abrir. Envíelo de nuevo, por favor.',
    empty: 'El archivo está vacío.',
    kind: 'Este tipo de archivo no se puede leer aquí. Envíe PDF, JPEG, PNG o TIFF, por favor.',
    large: 'El archivo es demasiado grande. Envíelo por partes, por favor.',
    malware: 'El archivo se ha apartado porque contiene algo dañino.',
    twice: 'El archivo ya se había recibido.',
    other: 'El archivo no se puede utilizar. Envíelo de nuevo o responda a este mensaje, por favor.',
  },
  farewell: (lender) => `${lender}\nEste mensaje lo ha escrito una máquina; sus respuestas se leen.`,
}
