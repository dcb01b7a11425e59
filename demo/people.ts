import type { Role } from '../server/database/schema.ts'

/** The people of the demo's loan desk. The password is for the demo alone. */
export const DEMO_PASSWORD = 'skerrow-demo'
export const DEMO_PEOPLE: readonly { name: string; email: string; role: Role }[] = [
  { name: 'Thea Brandreth', email: 'thea@merrowsound.example', role: 'processor' },
  { name: 'Ivo Sundberg', email: 'ivo@merrowsound.example', role: 'processor' },
  { name: 'Maud Carrow', email: 'maud@merrowsound.example', role: 'reviewer' },
  { name: 'Ruben Haldane', email: 'ruben@merrowsound.example', role: 'lead' },
  { name: 'Ada Northcott', email: 'ada@merrowsound.example', role: 'administrator' },
]
