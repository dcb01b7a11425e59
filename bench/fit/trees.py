"""Rows of features as values.ts and links.ts write them, and boosted trees as core/extraction/scoring/trees.ts reads them."""
import base64
import json
import os

import numpy as np

OWN = {"tuning", "dice", "printed", "studio", "scoring"}  # of one mind: they count half
OWN_WEIGHT = 0.5
KEPT_APART = "scoring"  # scores are quoted on these papers: what ships is fitted without them


class Rows:
    def __init__(self, path):
        lines = open(path + ".tsv")
        self.features = next(lines).rstrip("\n").split("\t")
        self.rows = np.fromfile(path + ".f32", dtype=np.float32).reshape(-1, len(self.features))
        table = [line.split("\t") for line in lines]
        self.designer = np.array([t[0] for t in table])
        self.group, self.right, self.carried = (np.array([int(t[i]) for t in table]) for i in (1, 2, 3))
        self.weight = np.where(np.isin(self.designer, list(OWN)), OWN_WEIGHT, 1.0)
        self.designers = sorted(set(self.designer))


def write_trees(model, features, about, path):
    os.makedirs(os.path.dirname(path), exist_ok=True)
    feature, value, step, roots = [], [], [], []

    def walk(node):
        at = len(feature)
        if "leaf" in node:
            feature.append(-1)
            value.append(node["leaf"])
            step.append(0)
            return
        feature.append(int(node["split"][1:]))
        value.append(node["split_condition"])
        step.append(0)
        children = {child["nodeid"]: child for child in node["children"]}
        walk(children[node["yes"]])
        step[at] = len(feature) - at
        walk(children[node["no"]])

    for tree in model.get_booster().get_dump(dump_format="json"):
        roots.append(len(feature))
        walk(json.loads(tree))

    def packed(numbers, kind):
        return base64.b64encode(np.array(numbers, dtype=kind).tobytes()).decode()

    json.dump(
        {
            "about": about,
            "features": features,
            "base": 0,
            "roots": roots,
            "feature": packed(feature, "<i1"),
            "value": packed(value, "<f4"),
            "right": packed(step, "<u2"),
        },
        open(path, "w"),
    )
