"""Every message that the core hands out has a template, and the template asks just its values."""

import ast
from collections.abc import Iterator
from pathlib import Path

import pytest
from fluent.syntax import FluentParser
from fluent.syntax import ast as ftl
from fluent.syntax.visitor import Visitor

import ample_rows
from ample_rows.wording.renderer import templates

ROOT = Path(ample_rows.__file__).parent
# Filled from one of the book's own tables, so without a template here.
FROM_TABLES = {"of-table"}


class _Asked(Visitor):
    """What a template asks: the names of its values."""

    def __init__(self) -> None:
        super().__init__()
        self.names: set[str] = set()

    def visit_VariableReference(self, node: ftl.VariableReference) -> None:  # noqa: N802
        self.names.add(node.id.name)


@pytest.fixture(scope="module")
def asked() -> dict[str, set[str]]:
    """Each template's key with the values that it asks."""
    found: dict[str, set[str]] = {}
    for name, text in templates().items():
        for entry in FluentParser().parse(text).body:
            assert not isinstance(entry, ftl.Junk), f"{name}: {entry.content}"
            if isinstance(entry, ftl.Message):
                assert entry.id.name not in found, f"{entry.id.name} stands twice"
                visitor = _Asked()
                visitor.visit(entry)
                found[entry.id.name] = visitor.names
    return found


def calls() -> Iterator[tuple[str, ast.Call]]:
    for path in sorted(ROOT.rglob("*.py")):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            named = isinstance(node, ast.Call) and isinstance(node.func, ast.Name)
            if named and node.func.id in ("message", "Count"):
                yield f"{path.relative_to(ROOT)}:{node.lineno}", node


def test_every_key_has_its_template_and_every_template_its_values(asked):
    used = set()
    for where, call in calls():
        if call.func.id != "message" or not isinstance(call.args[0], ast.Constant):
            continue
        key = call.args[0].value
        used.add(key)
        assert key in asked, f"{where}: no template {key}"
        assert {word.arg for word in call.keywords} == asked[key], f"{where}: {key}"
    counts = {key for key in asked if key.startswith("count-")}
    assert set(asked) - used - counts == set()


def test_what_is_counted_has_its_forms(asked):
    for where, call in calls():
        if call.func.id == "Count" and isinstance(call.args[1], ast.Constant):
            assert f"count-{call.args[1].value}" in asked, where


def test_values_go_by_name_and_keys_are_written_out():
    for where, call in calls():
        if call.func.id == "message":
            assert len(call.args) == 1, where
            key = call.args[0]
            written = isinstance(key, ast.Constant) or where.startswith("core/words/message.py")
            assert written, f"{where}: a key that no test can find"
