"""Alembic's entry: runs migrations on the engine that the caller passes."""

from alembic import context

from cutreel.store.tables import Base

with context.config.attributes["engine"].connect() as connection:
    context.configure(connection=connection, target_metadata=Base.metadata)
    with context.begin_transaction():
        context.run_migrations()
    connection.commit()
