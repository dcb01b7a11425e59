/** What other folders may use of this one; README.md says how it hangs together. */
export type { About } from './about.ts'
export { fieldName, goingOut, PAPER_VARIABLES, pathsOf, receiverFaults, typeName } from './file-names.ts'
export {
  contents,
  RECEIVER_FORM,
  type Content,
  type Receiver,
  receiverSchema,
  usualReceiver,
} from './receiver.ts'
export { csvOf, harmless, type ValueOut, valuesOut } from './values.ts'
export { type XmlMapping, xmlMappingSchema, xmlOf, type XmlSource } from './xml.ts'
