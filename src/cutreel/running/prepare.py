"""Bringing the database to the newest form: film tables and the queue's own."""

import sys

from sqlalchemy import text

from cutreel.making import Queue
from cutreel.store import Database


def prepare_database(database: Database) -> None:
    """Migrate the film tables, and set the queue up where it is not."""
    database.migrate()
    with database.transaction() as session:
        ready = session.execute(text("SELECT to_regclass('procrastinate_jobs')")).scalar()
    if ready is None:
        Queue(database.address).set_up()


if __name__ == "__main__":
    prepare_database(Database(sys.argv[1]))
