"""Closed seasons: the plan that a garden was grown by, year by year."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "seasons",
        sa.Column("pk", sa.Integer(), primary_key=True, nullable=False),
        sa.Column(
            "garden_pk", sa.Integer(), sa.ForeignKey("gardens.pk", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("ident", sa.String(), nullable=False),
        sa.Column("closed_at", sa.DateTime(), nullable=False),
        sa.Column("document", sa.JSON(), nullable=False),
        sa.UniqueConstraint("garden_pk", "ident"),
    )
