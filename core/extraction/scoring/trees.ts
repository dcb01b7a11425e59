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
export function fittedTrees(file: TreesFile, features: readonly string[]): Trees {
  let loaded: Trees | null = null
  return (row, hopeless) => {
    if (!loaded && file.features.join() !== features.join())
      throw new Error('weights were fitted on other features: run ./jigsa fit')
    loaded ??= loadTrees(file)
    return loaded(row, hopeless)
  }
}

/**
 * Gives the log-odds of a row of features. Where the first quarter of the trees puts it below `hopeless`, the others,
 * which correct the first by less and less, are not asked, and what these said is the answer.
 */
export type Trees = (row: Float32Array, hopeless?: number) => number

/** Loads trees. Source: Chen & Guestrin, "XGBoost", 2016. */
export function loadTrees(file: Omit<TreesFile, 'features'>): Trees {
  const feature = new Int8Array(bytesOf(file.feature).buffer)
  const value = new Float32Array(bytesOf(file.value).buffer)
  const right = new Uint16Array(bytesOf(file.right).buffer)
  const roots = Int32Array.from(file.roots)
  const { base } = file
  const quarter = roots.length >> 2
  return (row, hopeless = -Infinity) => {
    let sum = base
    for (let tree = 0; tree < roots.length; tree++) {
      if (tree === quarter && sum < hopeless) return sum
      let at = roots[tree]
      for (let f = feature[at]; f >= 0; f = feature[at]) at += row[f] < value[at] ? 1 : right[at]
      sum += value[at]
    }
    return sum
  }
}
