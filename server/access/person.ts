import type { Role } from '../database/schema.ts'

/** Who is asking. */
export interface Person {
  id: string
  name: string
  email: string
  role: Role
  organisationId: string
}
