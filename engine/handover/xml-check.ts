/** Faults that are told: the rest of a long list says no more. */
const MOST_FAULTS = 5

/** Pages of 64 kB that a check may take: 128 MB. */
const MOST_MEMORY = 2048

/**
 * What in XML does not hold to a schema (XSD), as libxml2 says it; none where it does. Nothing is fetched: a schema that
 * includes others is incomplete here.
 */
export async function xmlFaults(xml: string, xsd: string): Promise<string[]> {
  const { validateXML } = await import('xmllint-wasm')
  const checked = await validateXML({
    xml: [{ fileName: 'package.xml', contents: xml }],
    schema: [{ fileName: 'receiver.xsd', contents: xsd }],
    maxMemoryPages: MOST_MEMORY,
  }).catch((error: unknown) => (error instanceof Error ? error : new Error(String(error))))
  if (checked instanceof Error) return [`The schema cannot be used: ${checked.message.split('\n')[0].trim()}`]
  const { valid, errors } = checked
  if (valid) return []
  const told = errors.slice(0, MOST_FAULTS).map((e) => e.message.trim())
  return told.length > 0 ? told : ['It does not hold to the schema.']
}
