"""The day book: what was done, seen and picked, entry by entry."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "entries",
        sa.Column("pk", sa.Integer(), primary_key=True, nullable=False),
        sa.Column(
            "garden_pk", sa.Integer(), sa.ForeignKey("gardens.pk", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("ident", sa.String(), nullable=False),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("season", sa.String(), nullable=True),
        sa.Column("place", sa.String(), nullable=True),
        sa.Column("planting", sa.String(), nullable=True),
        sa.Column("crop", sa.String(), nullable=True),
        sa.Column("entered_at", sa.DateTime(), nullable=False),
        sa.Column("removed_at", sa.DateTime(), nullable=True),
        sa.Column("document", sa.JSON(), nullable=False),
        sa.UniqueConstraint("garden_pk", "ident"),
    )
    op.create_index("ix_entries_garden_day", "entries", ["garden_pk", "day"])
    op.create_index("ix_entries_garden_planting", "entries", ["garden_pk", "planting"])
