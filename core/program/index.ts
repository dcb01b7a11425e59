/** What other folders may use of this one; README.md says how it hangs together. */
export { usualRoles } from './column-roles.ts'
export { typeById, unknownType } from './document-type.ts'
export { faultsOf, type Fault, type TypeShape } from './faults.ts'
export {
  formOf,
  type LenderSet,
  type Loaded,
  loadLender,
  loadLenderSet,
  loadProgram,
  loadType,
  loadTypes,
  parsed,
  UnreadableFile,
} from './files.ts'
export { idFrom } from './ids.ts'
export { programJsonSchema } from './json-schema.ts'
export { typesIn } from './references.ts'
export { registerSchema, type Register } from './register.ts'
export { requestWordsSchema, VARIABLES, withVariables } from './request-words.ts'
export {
  askedBelow,
  USUAL_COSTS,
  documentTypeSchema,
  fieldKind,
  isTicked,
  programSchema,
  type Check,
  type Column,
  type ColumnRole,
  type Condition,
  type Costs,
  type DocumentType,
  type Fact,
  type Field,
  type FieldKind,
  type FieldSource,
  type Limit,
  type Need,
  type Program,
  type Relation,
  type Requirement,
} from './schema.ts'
export { hasForm, LONGEST_PATTERN } from './patterns.ts'
export { separatorSheet, type SeparatorSheet } from './separator-sheet.ts'
export { tableColumns, type TableColumns } from './table-columns.ts'
