import { fittedTrees } from '../extraction/index.ts'
import { LINK_FEATURES } from './link-features.ts'
import file from './link-model.json' with { type: 'json' }

/** Log-odds that a page goes on with the paper of the one before it, by what is known of both. */
export const linkOdds = fittedTrees(file, LINK_FEATURES)
