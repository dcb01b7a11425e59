/** Boosted trees as data: nodes in the order in which a walk that always goes left meets them. */
export interface TreesFile {
  /** The features that it was fitted on, in their order. */
  features: readonly string[]
  /** Log-odds before any tree. */
  base: number
  /** Where each tree begins. */
  roots: readonly number[]
  /** A node's feature; -1 for a leaf. Bytes, in base64. */
  feature: string
  /** A node's threshold, or a leaf's log-odds. 32-bit floats, in base64. */
  value: string
  /** How many nodes on the node lies that is right where the feature is not below the threshold. 16 bits, in base64. */
  right: string
}

const bytesOf = (text: string): Uint8Array => Uint8Array.from(atob(text), (c) => c.charCodeAt(0))

/**
 * Trees over named features, loaded when they are first asked: whoever fits them anew needs none.
 * @throws when they were fitted on other features, which would be read as one another without a word
 */
export function fittedTrees(file: TreesFile, features: readonly string[]): (row: Float32Array) => number {
  let loaded: ((row: Float32Array) => number) | null = null
  return (row) => {
    if (!loaded && file.features.join() !== features.join())
      throw new Error('weights were fitted on other features: run ./jigsa fit')
    loaded ??= loadTrees(file)
    return loaded(row)
  }
}

/** Loads trees; the result gives the log-odds of a row of features. Source: Chen & Guestrin, "XGBoost", 2016. */
export function loadTrees(file: Omit<TreesFile, 'features'>): (row: Float32Array) => number {
  const feature = new Int8Array(bytesOf(file.feature).buffer)
  const value = new Float32Array(bytesOf(file.value).buffer)
  const right = new Uint16Array(bytesOf(file.right).buffer)
  const roots = Int32Array.from(file.roots)
  const { base } = file
  return (row) => {
    let sum = base
    for (const root of roots) {
      let at = root
      for (let f = feature[at]; f >= 0; f = feature[at]) at += row[f] < value[at] ? 1 : right[at]
      sum += value[at]
    }
    return sum
  }
}
