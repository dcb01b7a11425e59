"""Fits the weights of links: whether a page goes on with the paper of the one before it.

    python3 bench/fit/links.py LINKS OUT [--left-out]

LINKS is what links.ts wrote, without its ending. Writes OUT/link-model.json; with --left-out also OUT/DESIGNER/ for each
designer, fitted without that designer's papers. Needs Debian's python3-xgboost.
"""
import sys

import xgboost

from trees import KEPT_APART, Rows, write_trees

TREES = dict(n_estimators=150, max_depth=4, learning_rate=0.1, subsample=0.8, colsample_bytree=0.6, min_child_weight=3, tree_method="hist", n_jobs=2)
ABOUT = "Log-odds that a page goes on with the paper of the one before it: boosted trees over the features of link-features.ts, fitted by bench/fit/links.py."

given, out = sys.argv[1:3]
links = Rows(given)


def fit(chosen):
    model = xgboost.XGBClassifier(**TREES)
    return model.fit(links.rows[chosen], links.right[chosen], sample_weight=links.weight[chosen])


for left in links.designers:
    at = links.designer == left
    model = fit(~at)
    right = (model.predict(links.rows[at]) == links.right[at]).mean()
    print("%-12s left out: neighbouring pages told rightly %.4f of %d" % (left, right, at.sum()), flush=True)
    if "--left-out" in sys.argv:
        write_trees(model, links.features, ABOUT, out + "/" + left + "/link-model.json")
write_trees(fit(links.designer != KEPT_APART), links.features, ABOUT, out + "/link-model.json")
