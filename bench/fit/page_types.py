"""Fits what pages say of their type: page words of each type, and how their margin weighs beside its wordings.

    python3 bench/fit/page_types.py PAGES TYPES OUT [--left-out]

PAGES is what page-types.ts wrote, TYPES the file of document types. Writes OUT/types.json and
OUT/page-evidence-weights.json; with --left-out also OUT/DESIGNER/ for each designer, fitted without that designer's
papers. Needs Debian's python3-sklearn. Page words: a linear support vector machine over the words and pairs that
more than one designer uses. Weights: a conditional logit over the types and none, on margins of page words that
were fitted without the designer of the page.
"""
import collections
import json
import os
import sys
import warnings

import numpy as np
import scipy.sparse as sp
from scipy.optimize import minimize
from sklearn.svm import LinearSVC

from trees import KEPT_APART

warnings.filterwarnings("ignore")
KEPT = 1000  # words of a type, those of the greatest weight
PENALTY = 0.05
FEWEST = 3  # pages that have a word
FULL_HEADING = 3  # as in page-evidence.ts
SCALE = 3  # brings margins to the size of the other evidence, for the optimiser alone

pages_path, types_path, out = sys.argv[1:4]
pages = [json.loads(line) for line in open(pages_path)]
types = json.load(open(types_path))
count = len(types)
truth = np.array([p["type"] for p in pages])
designer = np.array([p["designer"] for p in pages])
first = np.array([p["place"] == 0 for p in pages])
words = [p["words"] for p in pages]
wordings = np.array([p["wordings"] for p in pages])
headings = np.minimum(FULL_HEADING, np.array([p["titles"] for p in pages]))
users = collections.defaultdict(set)
for said, who in zip(words, designer):
    for word in said:
        users[word].add(who)


def page_words(chosen, left_out):
    """For each type (bias, {word: weight}), fitted on the chosen pages."""
    said = [words[i] for i in chosen]
    uses = collections.Counter(w for page in said for w in page)
    vocabulary = {
        w: j
        for j, w in enumerate(sorted(w for w, by in users.items() if len(by - left_out) > 1 and uses[w] >= FEWEST))
    }
    rare = np.array([np.log((len(said) + 1) / (uses[w] + 1)) + 1 for w in vocabulary])
    rows, columns, values = [], [], []
    for i, page in enumerate(said):
        for w in page:
            j = vocabulary.get(w)
            if j is not None:
                rows.append(i)
                columns.append(j)
                values.append(rare[j] / np.sqrt(max(1, len(page))))
    matrix = sp.csr_matrix((values, (rows, columns)), shape=(len(said), len(vocabulary)))
    model = LinearSVC(C=PENALTY, max_iter=3000).fit(matrix, truth[chosen])
    names = list(vocabulary)
    found = {}
    for kind, row, bias in zip(model.classes_, model.coef_ * rare, model.intercept_):
        if kind >= 0:
            found[kind] = (bias, {names[j]: row[j] for j in np.argsort(-np.abs(row))[:KEPT]})
    return found


def margins_of(i, fitted):
    row = np.full(count, -1.0)
    length = np.sqrt(max(1, len(words[i])))
    for kind, (bias, weights) in fitted.items():
        row[kind] = bias + sum(weights.get(w, 0) for w in words[i]) / length
    return row


def evidence_weights(chosen, margins):
    """Weights of wordings, page words and headings, and the score of none, for pages at first and further places."""
    shares = collections.Counter(designer[chosen])
    found = {}
    for name, place in (("first", first), ("further", ~first)):
        at = np.array([i for i in chosen if place[i]])
        right = np.where(truth[at] < 0, count, truth[at])
        weight = np.array([1 / shares[designer[i]] for i in at])

        def loss(w):
            scores = w[0] * wordings[at] + w[1] * SCALE * margins[at] + w[2] * headings[at]
            scores = np.hstack([scores, np.full((len(at), 1), w[3])])
            scores -= scores.max(axis=1, keepdims=True)
            log = scores - np.log(np.exp(scores).sum(axis=1, keepdims=True))
            return -(weight * log[np.arange(len(at)), right]).sum() / weight.sum() + 1e-3 * w @ w

        w = minimize(loss, [0.5, 1, 0, 2]).x
        found[name] = dict(zip(("wordings", "words", "heading", "none"), np.round([w[0], w[1] * SCALE, w[2], w[3]], 3)))
    return found


def write(folder, fitted, weights):
    os.makedirs(folder, exist_ok=True)
    written = []
    for i, kind in enumerate(types):
        kind = {k: v for k, v in kind.items() if k != "pageWords"}
        if i in fitted:
            bias, by_word = fitted[i]
            lines = ["* %d" % round(bias * 1000)]
            lines += ["%s %d" % (w, round(x * 1000)) for w, x in sorted(by_word.items(), key=lambda e: -e[1]) if round(x * 1000)]
            kind["pageWords"] = "\n".join(lines)
        written.append(kind)
    json.dump(written, open(folder + "/types.json", "w"), indent=2, ensure_ascii=False)
    about = json.load(open("core/classification/page-evidence-weights.json"))["about"]
    json.dump({"about": about, **weights}, open(folder + "/page-evidence-weights.json", "w"), indent=2)


designers = sorted(set(designer))
margins = np.zeros((len(pages), count))
without = {}
for left in designers:
    without[left] = page_words(np.where(designer != left)[0], {left})
    for i in np.where(designer == left)[0]:
        margins[i] = margins_of(i, without[left])
ships = np.where(designer != KEPT_APART)[0]
write(out, without.get(KEPT_APART) or page_words(ships, set()), evidence_weights(ships, margins))
for left in designers:
    rest = np.where(designer != left)[0]
    weights = evidence_weights(rest, margins)
    right = total = 0
    for i in np.where(designer == left)[0]:
        w = weights["first" if first[i] else "further"]
        scores = np.append(w["wordings"] * wordings[i] + w["words"] * margins[i] + w["heading"] * headings[i], w["none"])
        right += scores.argmax() == (truth[i] if truth[i] >= 0 else count)
        total += 1
    print("%-12s left out: pages taken alone, of the right type %.4f" % (left, right / total), flush=True)
    if "--left-out" in sys.argv:
        write(out + "/" + left, without[left], weights)
