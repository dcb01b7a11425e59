import pino from 'pino'

/** The log of a process, as lines of JSON on standard error. */
export const log = pino({ level: process.env.LOG_LEVEL ?? 'info', base: null }, pino.destination(2))
