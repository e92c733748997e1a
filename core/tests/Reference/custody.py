#!/usr/bin/env python3
"""Makes custody.json: working days by numpy's business-day calendar, check characters by python-stdnum (ISO 7064, MOD 37,36),
and the share of a portion's time that is used up, summed minute by minute over made-up trails.
Run: python3 custody.py > custody.json   (numpy and stdnum from Debian)
"""
import json
import random
import sys

import numpy
import stdnum
from stdnum.iso7064 import mod_37_36

random.seed(20)
ALPHABET = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ"


def working_days():
    cases = []
    for _ in range(150):
        start = numpy.datetime64("2026-01-01") + random.randrange(700)
        holidays = sorted({str(start + random.randrange(1, 60)) for _ in range(random.randrange(0, 8))})
        count = random.randrange(1, 45)
        later = start + random.randrange(0, 90)
        cases.append({
            "day": str(start), "holidays": holidays, "count": count,
            "after": str(numpy.busday_offset(start, count, roll="backward", holidays=holidays)),
            "later": str(later), "between": int(numpy.busday_count(start + 1, later + 1, holidays=holidays)),
        })
    return cases


def check_characters():
    stems = ["".join(random.choice(ALPHABET) for _ in range(random.randrange(2, 20))) for _ in range(120)]
    stems += ["QH26%02d%s" % (n, random.choice(["", "L", "B", "M", "A"])) for n in random.sample(range(1, 99999), 80)]
    return [[stem, mod_37_36.calc_check_digit(stem)] for stem in stems]


def clocks():
    """Hours after the pull; warm soil has 24 h, chilled soil 48 h, frozen soil and soil at the lab stand still."""
    cases = []
    for _ in range(80):
        steps, at, state = [["split", 0, None]], 0.0, "split"
        follow = {"split": ["chilled", "frozen", "packed"], "chilled": ["frozen", "packed"], "frozen": ["chilled", "packed"], "packed": ["sent"], "sent": ["arrived"]}
        rates = [(0.0, 1 / 24)]
        rate = 1 / 24
        while state in follow and random.random() < 0.8:
            at = round(at + random.uniform(0.5, 14), 2)
            state = random.choice(follow[state])
            celsius = random.choice([None, None, 3.0, 6.0, 6.1, 15.0]) if state != "arrived" else None
            rate = {"chilled": 1 / 48, "frozen": 0.0, "arrived": 0.0}.get(state, rate)
            if celsius is not None and state not in ("frozen", "arrived"):
                rate = 1 / 48 if celsius <= 6 else 1 / 24
            steps.append([state, at, celsius])
            rates.append((at, rate))
        now = round(at + random.uniform(0, 20), 2)
        used, minute = 0.0, 1 / 600
        for n, (since, share) in enumerate(rates):
            until = rates[n + 1][0] if n + 1 < len(rates) else now
            used += sum(share * minute for _ in range(int(round((until - since) / minute))))
        cases.append({"steps": steps, "now": now, "used": used})
    return cases


json.dump({"made_with": f"numpy {numpy.__version__}, python-stdnum {stdnum.__version__}", "working_days": working_days(),
           "check_characters": check_characters(), "clocks": clocks()}, sys.stdout)
