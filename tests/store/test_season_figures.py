"""Figures of closed seasons: worked out once, kept over a start, and anew for another program."""

from datetime import date

import pytest

from ample_rows.core.record.figures import figures_of
from ample_rows.store import season_figures
from ample_rows.store.season_figures import FiguresOfSeasons
from tests.conftest import document, planting

THEN = document(
    planting("kale", id="k", start_date="2026-05-10"),
    last_frost="2026-04-25",
    first_frost="2026-10-20",
)


@pytest.fixture
def worked(monkeypatch):
    """How often figures were worked out."""
    times = []

    def counted(plan, book):
        times.append(plan.garden.last_frost)
        return figures_of(plan, book)

    monkeypatch.setattr(season_figures, "figures_of", counted)
    return times


@pytest.fixture
def figures(store, book, read):
    slug = store.create(read(document()))
    return lambda: FiguresOfSeasons(store.database, slug, date(2027, 2, 1), book)


def test_a_closed_season_is_worked_out_once(figures, worked, read, book):
    first = figures()(read(THEN))
    assert first == figures_of(read(THEN), book)
    assert figures()(read(THEN)) == first
    assert len(worked) == 1


def test_another_program_or_book_works_it_out_anew(figures, worked, read, monkeypatch):
    figures()(read(THEN))
    monkeypatch.setattr(season_figures, "_worked_out_by", lambda _: "another")
    figures()(read(THEN))
    figures()(read(THEN))
    assert len(worked) == 2


def test_a_changed_plan_and_the_season_that_runs_are_their_own(figures, worked, read):
    figures()(read(THEN))
    other = {**THEN, "plantings": []}
    assert figures()(read(other)).plantings == ()
    running = document(planting("kale", id="k", start_date="2027-05-10"))
    figures()(read(running))
    figures()(read(running))
    assert len(worked) == 4
