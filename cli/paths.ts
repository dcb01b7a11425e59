import { resolve } from 'node:path'

/** A path as the person wrote it, seen from where they called the command. */
export const given = (path: string): string => resolve(process.env.JIGSA_CALLED_FROM ?? process.cwd(), path)
