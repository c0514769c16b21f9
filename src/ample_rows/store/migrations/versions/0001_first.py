"""Gardens, places, supports, plantings and revisions."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def _key() -> sa.Column:
    return sa.Column("pk", sa.Integer(), primary_key=True)


def _parent(name: str, table: str) -> sa.Column:
    reference = sa.ForeignKey(f"{table}.pk", ondelete="CASCADE")
    return sa.Column(name, sa.Integer(), reference, nullable=False, index=True)


def _text(name: str) -> sa.Column:
    return sa.Column(name, sa.String(), nullable=False)


def _number(name: str) -> sa.Column:
    return sa.Column(name, sa.Integer(), nullable=False)


def _json(name: str) -> sa.Column:
    return sa.Column(name, sa.JSON(), nullable=False)


def upgrade() -> None:
    op.create_table(
        "gardens",
        _key(),
        sa.Column("slug", sa.String(), nullable=False, unique=True, index=True),
        _text("name"),
        _json("document"),
        _number("version"),
        _number("head"),
    )
    op.create_table(
        "places",
        _key(),
        _parent("garden_pk", "gardens"),
        _text("ident"),
        _number("ordinal"),
        _text("kind"),
        _json("document"),
        sa.UniqueConstraint("garden_pk", "ident"),
    )
    op.create_table(
        "supports",
        _key(),
        _parent("place_pk", "places"),
        _text("ident"),
        _number("ordinal"),
        _text("system"),
        _json("document"),
        sa.UniqueConstraint("place_pk", "ident"),
    )
    op.create_table(
        "plantings",
        _key(),
        _parent("garden_pk", "gardens"),
        _parent("place_pk", "places"),
        _text("ident"),
        _number("ordinal"),
        _text("crop"),
        sa.Column("start_date", sa.Date(), nullable=False),
        _json("document"),
        sa.UniqueConstraint("garden_pk", "ident"),
    )
    op.create_table(
        "revisions",
        _key(),
        _parent("garden_pk", "gardens"),
        _number("number"),
        _text("label"),
        sa.Column("made_at", sa.DateTime(), nullable=False),
        _json("before"),
        _json("after"),
        sa.UniqueConstraint("garden_pk", "number"),
    )
