import { z } from 'zod'
import { formOf, parsed, type Loaded } from '../program/index.ts'
import { sampleSchema } from './nearest-samples.ts'
import type { Knowledge } from './segment.ts'
import { ruleSchema } from './user-rules.ts'

/** The form that files of knowledge are written in. */
const FORM = 1
/** Samples that a file has at most; more would make its reading slower than that of the papers. */
const MOST_IN_FILE = 20_000

const knowledgeSchema = z.object({
  rules: z.array(ruleSchema).max(500).default([]),
  samples: z.array(sampleSchema).max(MOST_IN_FILE).default([]),
})

/** What an organisation has switched on, as it is written to a file: its rules, and the samples of its lesson. */
export const knowledgeFile = ({ rules = [], learnt }: Knowledge) => ({
  formatVersion: FORM,
  rules,
  samples: learnt?.samples ?? [],
})

/** Rules and samples from their file. @throws UnreadableFile */
export function loadKnowledge(file: unknown): Loaded<Knowledge> {
  const what = 'file of rules and samples'
  const { raw } = formOf(file, what, FORM)
  const { rules, samples } = parsed(knowledgeSchema, raw, what)
  return { value: { rules, learnt: samples.length > 0 ? { samples } : null }, assumed: [] }
}
