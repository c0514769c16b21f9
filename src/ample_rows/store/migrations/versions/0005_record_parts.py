"""Parts of a record beside its entries: the weather of days, photos, seedlings, trials, seed."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "record_parts",
        sa.Column("pk", sa.Integer(), primary_key=True, nullable=False),
        sa.Column(
            "garden_pk", sa.Integer(), sa.ForeignKey("gardens.pk", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("ident", sa.String(), nullable=False),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("removed_at", sa.DateTime(), nullable=True),
        sa.Column("document", sa.JSON(), nullable=False),
        sa.UniqueConstraint("garden_pk", "kind", "ident"),
    )
