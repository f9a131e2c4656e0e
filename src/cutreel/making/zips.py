"""What the standard library raises for zip archives that are damaged, locked, or packed in a way that it does not know;
its documentation names the first alone."""

import lzma
import zipfile
import zlib

NOT_TO_BE_READ = (
    zipfile.BadZipFile,
    zlib.error,
    lzma.LZMAError,
    EOFError,
    OSError,
    RuntimeError,
    ValueError,
)
