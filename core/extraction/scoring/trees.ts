/** Boosted trees as data: nodes in the order in which a walk that always goes left meets them. */
export interface TreesFile {
  /** What all features missing nothing would score before any tree, as log-odds. */
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

/** Loads trees; the result gives the log-odds of a row of features. Source: Chen & Guestrin, "XGBoost", 2016. */
export function loadTrees(file: TreesFile): (row: Float32Array) => number {
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
