"""A number with each entry that grows with every write, by which what is new is found."""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("entries", sa.Column("written", sa.Integer(), nullable=False, server_default="0"))
    op.create_index("ix_entries_garden_written", "entries", ["garden_pk", "written"])
