"""Bringing the database to the newest form: film tables and the queue's own. A copy is kept before."""

import sys
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import text

from cutreel import __version__
from cutreel.core.errors import CutReelError
from cutreel.making import Queue
from cutreel.store import Database, database_from_environment

from .dumping import dump

KEPT = 3
"""Copies of earlier forms that are kept."""


def prepare_database(database: Database, copies: Path | None = None) -> None:
    """Migrate the film tables, and set the queue up where it is not. A database that holds something is copied into the
    folder `copies` before it is changed. Raises CutReelError where a newer Cut Reel wrote it."""
    form, known = database.form(), database.known_forms()
    if form is not None and form not in known:
        raise CutReelError(
            f"These films were last opened by a newer Cut Reel; this is {__version__}.",
            "Start the newer one, or choose another folder with --data.",
        )
    if form is not None and form != known[0] and copies is not None:
        _copy(database, form, copies)
    database.migrate()
    with database.transaction() as session:
        ready = session.execute(text("SELECT to_regclass('procrastinate_jobs')")).scalar()
    if ready is None:
        Queue(database.address).set_up()


def _copy(database: Database, form: str, copies: Path) -> None:
    copies.mkdir(parents=True, exist_ok=True, mode=0o700)
    dump(database.address, copies / f"before-{datetime.now(UTC):%Y-%m-%dT%H-%M-%S}-{form}.dump")
    for old in sorted(copies.glob("before-*.dump"))[:-KEPT]:
        old.unlink()


if __name__ == "__main__":
    try:
        prepare_database(database_from_environment(), Path(sys.argv[1]))
    except CutReelError as error:
        sys.exit(str(error))
