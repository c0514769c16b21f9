"""Alembic's environment: migrate the engine that `Database` hands in, in one transaction."""

from alembic import context
from sqlmodel import SQLModel

from ample_rows.store import tables  # noqa: F401

with context.config.attributes["engine"].connect() as connection:
    # Begun before Alembic looks: what it finds open it leaves open, so that a migration that is
    # interrupted anywhere leaves the file as it was.
    connection.exec_driver_sql("BEGIN IMMEDIATE")
    context.configure(
        connection=connection,
        target_metadata=SQLModel.metadata,
        render_as_batch=True,
        transactional_ddl=True,
    )
    context.run_migrations()
    connection.commit()
