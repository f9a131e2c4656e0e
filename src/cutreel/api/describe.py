"""Writes the server's OpenAPI description to a file, from which the front end's types are made
(`npm run schema`)."""

import json
import sys
from pathlib import Path

from cutreel.making import Workshop
from cutreel.services import Services
from cutreel.store import Database, MediaStore

from .app import create_app


def main() -> None:
    """Nothing is connected to: the addresses are never used."""
    shop = Workshop(
        Database("postgresql://nobody@127.0.0.1:1/none"),
        MediaStore("."),
        Services("http://127.0.0.1:1"),
    )
    Path(sys.argv[1]).write_text(json.dumps(create_app(shop, None).openapi()))


if __name__ == "__main__":
    main()
