/** What other folders may use of this one; README.md says how it hangs together. */
export { answerSchema, valueSchema, type Answer } from './answer.ts'
export { arrange, openDoubts, type Arranged } from './arrange.ts'
export { fill, type FieldState, type FilledField } from './fill.ts'
export { standingOf, subjectOf, type Standing } from './overrides.ts'
export { touches } from './touches.ts'
export { turnsOf } from './turns.ts'
