"""How this process collects its memory."""

import gc

# A request makes some ten thousand values that live to its end: looking through them again and
# again finds nothing, and looking through all that is kept stalls whoever waits.
_YOUNG, _MIDDLE, _OLD = 50_000, 20, 50


def keep_what_stands() -> None:
    """Leave out of every later collection what is there now (the book, the modules, the routes),
    and collect what is young less often."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(_YOUNG, _MIDDLE, _OLD)
