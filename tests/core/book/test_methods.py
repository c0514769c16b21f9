"""The page of methods cannot drift: rules, numbers and workings name each other."""

import ast
from pathlib import Path

import pytest

import ample_rows.core
from ample_rows.core.ask.workings import place_workings
from ample_rows.core.book.methods import methods
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.demo import demo_plans


def test_every_number_belongs_to_one_rule(book):
    named = [name for rule in book.rules.values() for name in rule.coefficients]
    assert sorted(named) == sorted(book.coefficients)


def test_every_number_that_the_core_reads_is_in_the_table(book):
    root = Path(ample_rows.core.__file__).parent
    read = set()
    for file in root.rglob("*.py"):
        for node in ast.walk(ast.parse(file.read_text())):
            called = isinstance(node, ast.Call) and isinstance(node.func, ast.Attribute)
            if called and node.func.attr == "value" and isinstance(node.args[0], ast.Constant):
                read.add(node.args[0].value)
    assert len(read) > 50
    assert read <= book.coefficients.keys()


def test_the_page_shows_the_records_that_the_rules_read(book):
    page = {method.id: method for method in methods(book)}
    spread = page["sizes"].numbers[0]
    assert spread.name == "Piece spread"
    assert spread.record is book.coefficients["piece_spread"]
    assert page.keys() == book.rules.keys()


@pytest.mark.parametrize("index", [0, 1])
def test_every_line_of_every_working_names_its_rule(index, book):
    plan = demo_plans(book)[index]
    report = Estimate(plan, book, "x").report
    sums = [r.working for r in (*report.places, *report.plantings)]
    sums += [r.soil.working for r in report.places]
    found = place_workings(Estimate(plan, book), plan.places[0].id)
    sums += [found.weight, found.water, *found.ways.values(), *found.feed.values()]
    for terms in sums:
        for term in terms:
            assert term.rule in book.rules, term
