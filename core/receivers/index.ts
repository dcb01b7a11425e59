/** What other folders may use of this one; README.md says how it hangs together. */
export type { About } from './about.ts'
export { bagFiles, type Payload } from './bag.ts'
export { goingOut, PAPER_VARIABLES, pathsOf, receiverFaults, typeName } from './file-names.ts'
export { type Bookmark, outlineOf } from './outline.ts'
export { contents, type Content, type Receiver, receiverSchema, usualReceiver } from './receiver.ts'
export { type ValueOut, valuesOut } from './values.ts'
export { usualXml, type XmlMapping, xmlMappingSchema } from './xml-mapping.ts'
