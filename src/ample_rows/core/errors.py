"""What can go wrong, for whoever asks: one root, so that every layer above can answer it."""

from ample_rows.core.words.message import Message


class AmpleRowsError(Exception):
    """Something that a grower is told in words."""


class UnknownPartError(AmpleRowsError, LookupError):
    """What is asked for is not there: a planting, a place, a crop, a garden."""

    def __init__(self, *, kind: str, ident: str) -> None:
        super().__init__(f'There is no {kind} "{ident}". It may have been deleted.')
        self.kind, self.ident = kind, ident


class ConflictError(AmpleRowsError, RuntimeError):
    """What is asked for was overtaken by another change."""


class CannotBeDoneError(AmpleRowsError, ValueError):
    """What is asked for cannot be done here; the message says what and why."""

    def __init__(self, message: Message) -> None:
        super().__init__(message.key)
        self.message = message
