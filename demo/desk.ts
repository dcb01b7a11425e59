import type { Receiver } from '../core/receivers/index.ts'
import type { LenderSet } from '../core/program/index.ts'
import type { DeviceButton, Role } from '../server/database/schema.ts'

/** The password of everybody in the demo; it is for the demo alone. */
export const DEMO_PASSWORD = 'skerrow-demo'

/** A package that a desk of the demo begins with. */
export interface DemoPackage {
  caseNumber: string
  program: string
  hoursOld: number
  /** Draws its files, for a day on which it is judged. */
  files: (asOf: string) => Promise<{ name: string; bytes: Uint8Array }[]>
  /** Settled and finished before: what can be learnt from. */
  finished?: boolean
}

/** A scanner at a counter, and papers that lie ready beside it. */
interface Device {
  name: string
  buttons: DeviceButton[]
  papers: (asOf: string) => Promise<{ name: string; bytes: Uint8Array }[]>
}

/** A lender of the demo: an organisation with its set-up, people, packages and registers. */
export interface DemoDesk {
  /** The organisation's id. */
  id: string
  casePrefix: string
  /** The address that its applicants write to. */
  mail: string
  set: LenderSet
  people: readonly { name: string; email: string; role: Role }[]
  packages: readonly DemoPackage[]
  /** Whom its packages are handed over to. */
  receivers: readonly Receiver[]
  /** Of the scanner at its counter. */
  device: Device | null
  /** Entries of its registers as CSV, by the register's id, for a day; those that are asked outside have none. */
  registers: (asOf: string) => Readonly<Record<string, string>>
}

/** A table as CSV (RFC 4180). */
export const csvOf = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [head, ...rows].map((row) => row.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(',')).join('\n')
