/**
 * A name that no other file of the package has. Pages are known by their file's name: a second file of a name
 * gets a number behind it, or its pages would be cut out of the first one.
 */
export function freeName(name: string, taken: readonly string[]): string {
  const [stem, ending] = /^(.*?)(\.[^.]{1,5})?$/s.exec(name)!.slice(1)
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${stem} (${n})${ending ?? ''}`
    if (!taken.includes(tried)) return tried
  }
}
