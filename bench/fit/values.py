"""Fits the weights of values: boosted trees over the features of candidates, and the curve of how often they are right.

    python3 bench/fit/values.py VALUES OUT [--left-out]

VALUES is what values.ts wrote, without its ending. Writes OUT/value-model.json and OUT/calibration.json; with --left-out
also OUT/DESIGNER/ for each designer, fitted without that designer's papers. Needs Debian's python3-xgboost and
python3-sklearn. The curve is isotonic, over choices among the papers of designers that the trees had not seen.
"""
import json
import sys

import numpy as np
import xgboost
from sklearn.isotonic import IsotonicRegression

from trees import KEPT_APART, OWN, OWN_WEIGHT, Rows, write_trees

TREES = dict(
    n_estimators=400,
    max_depth=6,
    learning_rate=0.12,
    subsample=0.7,
    colsample_bytree=0.6,
    min_child_weight=5,
    tree_method="hist",
    n_jobs=2,
)
# What can only speak for a candidate, and what only against it, whatever else is known: without this a few odd
# papers teach that a worse caption is a better one.
SPEAKS_FOR = {
    "own_inner", "own_left", "own_above", "own_best", "own_best_over_rival", "own_best_over_other_kinds",
    "own_best_over_no_field", "overlap_inner", "overlap_left", "overlap_above", "plausibility", "rule", "rule_over_next",
    "rule_elsewhere", "rule_label", "rule_proven",
}  # fmt: skip
SPEAKS_AGAINST = {"rule_rank", "wording_rank", "is_label"}
CURVE = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.85, 0.9, 0.94, 0.97, 0.985, 0.995, 1]

values, out = sys.argv[1:3]
read = Rows(values)
designer, right, carried, field = read.designer, read.right, read.carried, read.group


ways = tuple(1 if f in SPEAKS_FOR else -1 if f in SPEAKS_AGAINST else 0 for f in read.features)


def fit(chosen):
    return xgboost.XGBClassifier(**TREES, monotone_constraints=ways).fit(read.rows[chosen], right[chosen], sample_weight=read.weight[chosen])


def write(model, curve, folder):
    about = "Log-odds that a candidate is the value of a field: boosted trees over the features of features.ts, fitted by bench/fit/values.py."
    write_trees(model, read.features, about, folder + "/value-model.json")
    about = "From the share of score of a field's first choice to the share that proved right, on papers of designers that the model had not seen; fitted by bench/fit/values.py."
    kept = json.load(open("core/extraction/scoring/calibration.json"))
    json.dump({**kept, "about": about, "curve": curve}, open(folder + "/calibration.json", "w"))


def choices(chosen, odds):
    """The first choice of each field: its share among all candidates and none, and whether it was right."""
    order = np.lexsort((-odds, field[chosen]))
    begins = np.r_[True, np.diff(field[chosen][order]) != 0]
    group = np.cumsum(begins) - 1
    total = 1 + np.bincount(group, weights=np.exp(odds[order]))
    top = order[begins]
    return np.exp(odds[top]) / total, right[chosen][top], carried[chosen][top]


designers = read.designers
held, models = {}, {}
for left in designers:
    at = np.where(designer == left)[0]
    models[left] = fit(designer != left)
    held[left] = choices(at, models[left].predict(read.rows[at], output_margin=True).astype(np.float64))
    share, hit, has = held[left]
    sure = share >= 0.9
    print(
        "%-12s left out: first choice right %.4f of %d fields, surest %.3f of them right %.4f"
        % (left, hit[has == 1].mean(), (has == 1).sum(), sure.mean(), hit[sure].mean()),
        flush=True,
    )


def curve_of(names):
    share = np.concatenate([held[n][0] for n in names])
    hit = np.concatenate([held[n][1] for n in names])
    each = np.concatenate([np.full(len(held[n][0]), (OWN_WEIGHT if n in OWN else 1) / len(held[n][0])) for n in names])
    curve = IsotonicRegression(y_min=0.01, y_max=0.998, out_of_bounds="clip").fit(share, hit, sample_weight=each)
    return [[x, round(float(y), 4)] for x, y in zip(CURVE, curve.predict(CURVE))]


rest = [n for n in designers if n != KEPT_APART]
write(models[KEPT_APART] if KEPT_APART in models else fit(designer != KEPT_APART), curve_of(rest), out)
print("curve", curve_of(rest))
for left in designers:
    if "--left-out" in sys.argv:
        write(models[left], curve_of([n for n in designers if n != left]), out + "/" + left)
