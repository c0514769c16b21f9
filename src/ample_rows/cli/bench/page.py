"""The page in a browser: a first visit, and an edit until it and its figures are painted."""

import statistics
from typing import Any

from ample_rows.cli.bench.rows import Row

_FLAGS = ["--no-sandbox", "--disable-gpu", "--no-first-run", "--disable-background-networking"]
_SIZE: Any = {"width": 1280, "height": 800}
_BED = "/gardens/lantern-court/squares/south"
_VISITS = 5
_ENTRIES = 9


def page_rows(base: str, chromium: str) -> list[Row]:
    """How long a gardener waits for the first picture, for an edit, and for its figures."""
    from playwright.sync_api import sync_playwright

    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=chromium, args=_FLAGS)
        visits = [_visit_ms(browser, base) for _ in range(_VISITS)]
        page = browser.new_page(viewport=_SIZE)
        page.goto(f"{base}{_BED}")
        page.get_by_role("button", name="maincrop carrot, 64").click()
        page.wait_for_timeout(1000)
        shown, figures = page.evaluate(_EDITS, "shown"), page.evaluate(_EDITS, "figures")
        entries = [_entry_ms(page, base, number) for number in range(_ENTRIES)]
        browser.close()
    how = f"{len(shown)} edits in the browser"
    return [
        Row("first visit to the picture", statistics.median(visits), "ms", 1000, "nothing cached"),
        Row("edit to repaint, 95th percentile", _percentile(shown), "ms", 100, how),
        Row("edit to repaint, median", statistics.median(shown), "ms", 60, "as above"),
        Row("edit to its figures, 95th percentile", _percentile(figures), "ms", None, "as above"),
        Row("edit to its figures, median", statistics.median(figures), "ms", None, "as above"),
        Row("an entry until it is on the page", statistics.median(entries), "ms", 100, "typed"),
    ]


def _entry_ms(page: Any, base: str, number: int) -> float:
    """From Enter until the line stands in the book of the day."""
    if number == 0:
        page.goto(f"{base}/gardens/lantern-court/record")
    page.get_by_label("What was done or picked").fill(f"carrots low bed 0.{number + 1} kg")
    page.get_by_text("reads: picked").wait_for()
    return float(page.evaluate(_ENTERED))


def _percentile(times: list[float]) -> float:
    return sorted(times)[int(len(times) * 0.95) - 1]


def _visit_ms(browser: Any, base: str) -> float:
    """From the address to the first frame with the bed drawn, in a browser that knows nothing."""
    context = browser.new_context(viewport=_SIZE)
    page = context.new_page()
    page.goto(f"{base}{_BED}", wait_until="commit")
    drawn = float(page.evaluate(_DRAWN))
    context.close()
    return drawn


_DRAWN = """() => new Promise((done) => {
  const look = () => (document.querySelector('.sheet svg path')
    ? requestAnimationFrame(() => setTimeout(() => done(performance.now()), 0))
    : requestAnimationFrame(look));
  look();
})"""

_ENTERED = """() => new Promise((done) => {
  const lines = () => document.querySelectorAll('section[aria-label="The day"] tbody tr').length;
  const before = lines();
  const began = performance.now();
  document.querySelector('input[aria-describedby="reads"]').form.requestSubmit();
  const look = () => (lines() > before
    ? setTimeout(() => done(performance.now() - began), 0)
    : requestAnimationFrame(look));
  look();
})"""

# An edit is shown when the date is the new one; its figures are there once the answer is painted.
_EDITS = """async (until) => {
  const times = [];
  const dated = () => document.querySelector('aside input[type=date]').value;
  const answers = () => performance.getEntriesByType('resource')
    .filter((entry) => entry.name.endsWith('/edits')).length;
  const painted = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
  for (let i = 0; i < 40; i += 1) {
    const name = i % 2 ? 'A week earlier' : 'A week later';
    const button = [...document.querySelectorAll('button')].find((b) => b.textContent === name);
    performance.clearResourceTimings();
    const before = dated();
    const began = performance.now();
    button.click();
    while (dated() === before || (until === 'figures' && answers() === 0)) await painted();
    await painted();
    times.push(performance.now() - began);
    // A gardener looks before the next press; the answer must not be measured with it.
    while (answers() === 0) await painted();
    await new Promise((done) => setTimeout(done, 150));
  }
  return times;
}"""
