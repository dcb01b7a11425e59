/** What is fitted, and where it is kept: a run that leaves a designer out takes that designer's fit in its place. */
export const FITTED = {
  'types.json': 'demo/lenders/merrow-sound/types.json',
  'page-evidence-weights.json': 'core/classification/page-evidence-weights.json',
  'link-model.json': 'core/classification/link-model.json',
  'value-model.json': 'core/extraction/scoring/value-model.json',
  'calibration.json': 'core/extraction/scoring/calibration.json',
  'evidence.json': 'core/extraction/scoring/evidence.json',
  'told.json': 'core/reconciliation/told.json',
} as const
