"""The one hierarchy of errors that a person may see."""


class CutReelError(Exception):
    """Something went wrong that a person can do something about.

    `code` is stable and for programs; the message is a sentence for the person; `advice` says what
    to do next.
    """

    code = "error"
    status = 400

    def __init__(self, message: str, advice: str = "") -> None:
        super().__init__(message)
        self.message = message
        self.advice = advice

    def __str__(self) -> str:
        return f"{self.message} {self.advice}".strip()

    def __reduce__(self) -> "tuple[type[CutReelError], tuple[str, str]]":
        return type(self), (self.message, self.advice)


class BadInput(CutReelError):
    """What was given cannot be used as it is."""

    code = "bad-input"
    status = 422


class NotFound(CutReelError):
    """There is no such thing, or it was removed."""

    code = "not-found"
    status = 404


class Clash(CutReelError):
    """The film was changed elsewhere since the sender last saw it."""

    code = "changed-elsewhere"
    status = 409
