"""Alembic's environment: migrate the engine that `Database` hands in."""

from alembic import context
from sqlmodel import SQLModel

from ample_rows.store import tables  # noqa: F401

with context.config.attributes["engine"].connect() as connection:
    context.configure(
        connection=connection, target_metadata=SQLModel.metadata, render_as_batch=True
    )
    connection.exec_driver_sql("BEGIN IMMEDIATE")
    context.run_migrations()
    connection.commit()
