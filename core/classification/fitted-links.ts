import { loadTrees } from '../extraction/index.ts'
import { LINK_FEATURES } from './link-features.ts'
import file from './link-model.json' with { type: 'json' }

let loaded: ((row: Float32Array) => number) | null = null

/** Log-odds that a page goes on with the paper of the one before it, by what is known of both. */
export function linkOdds(row: Float32Array): number {
  // Features that moved since the fit would be read as one another, without a word.
  if (!loaded && file.features.join() !== LINK_FEATURES.join())
    throw new Error('the model of links was fitted on other features: run ./jigsa fit')
  loaded ??= loadTrees(file)
  return loaded(row)
}
