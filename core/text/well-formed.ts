/**
 * Text that any store takes: a text layer may map letters to halves of surrogate pairs and to NUL, which make a whole
 * page unstorable.
 */
export const wellFormed = (text: string): string =>
  text
    .replace(/\0/g, '')
    .replace(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '\ufffd')
