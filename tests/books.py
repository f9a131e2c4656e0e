"""What the stand-in services were paid for, by their own books: over all days, so that midnight changes nothing."""

import sqlite3
from pathlib import Path

from cutreel.running.temporary import Temporary


def paid_for(stack: Temporary, offer: str) -> int:
    """How many pieces of work of an offer the services have counted so far."""
    books = Path(stack.environment["STANDINS_DIR"], "ledger.sqlite3")
    with sqlite3.connect(f"file:{books}?mode=ro", uri=True) as book:
        found = book.execute("SELECT sum(amount) FROM used WHERE offer = ?", (offer,)).fetchone()
    return int(found[0] or 0)
