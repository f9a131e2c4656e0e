"""A table that came back from a translator, whichever of its forms it is in."""

from cutreel.core.manuscript import text_of

from .table import TableRow, read_table
from .xliff import read_xliff


def read_translated(data: bytes) -> list[TableRow]:
    """The rows of a file. Raises BadInput."""
    if data.lstrip(b"\xef\xbb\xbf \t\r\n")[:1] == b"<":
        return read_xliff(data)
    return read_table(text_of(data))
