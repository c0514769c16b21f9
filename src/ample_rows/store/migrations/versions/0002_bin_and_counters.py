"""Versions that are never given twice, addresses that are never used again, a bin."""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None

# Gardens removed before this kept no trace: new versions begin well above any they had.
ROOM = 1000


def upgrade() -> None:
    op.add_column("gardens", sa.Column("removed_at", sa.DateTime(), nullable=True))
    op.create_table(
        "counters",
        sa.Column("name", sa.String(), primary_key=True, nullable=False),
        sa.Column("value", sa.Integer(), nullable=False),
    )
    op.create_table("addresses", sa.Column("slug", sa.String(), primary_key=True, nullable=False))
    op.execute("INSERT INTO addresses (slug) SELECT slug FROM gardens")
    op.execute(
        "INSERT INTO counters (name, value) SELECT 'version', "
        f"CASE WHEN count(*) > 0 THEN max(version) + {ROOM} ELSE 0 END FROM gardens"
    )
