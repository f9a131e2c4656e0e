"""Files that are sent: read no further than they may be long."""

from fastapi import UploadFile

from cutreel.core.errors import BadInput


def bytes_of(file: UploadFile, most: int, what: str) -> bytes:
    """What a file that was sent holds. Raises BadInput where it has more than `most` bytes; `what` says what it is."""
    data = file.file.read(most + 1)
    if len(data) > most:
        megabytes = most // 1_000_000
        raise BadInput(f"The {what} is too large.", f"Bring one of at most {megabytes} megabytes.")
    return data
