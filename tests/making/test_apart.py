"""The process apart that opens files: what breaks there is said in words, and the next file is opened as ever."""

import os
import time
from concurrent.futures import ThreadPoolExecutor

import pytest

from cutreel.core.errors import BadInput, CutReelError
from cutreel.making.apart import Reader, Readers
from tests.waiting import until


def nothing_first() -> None:
    return None


def dies(data: bytes) -> None:
    os._exit(139)


def hangs(data: bytes) -> None:
    time.sleep(600)


def grows(data: bytes) -> int:
    return len(bytearray(64 * 2**30))


def whose(data: bytes) -> tuple[int, int]:
    return os.getpid(), len(data)


def says_no(data: bytes) -> None:
    raise BadInput("It has only 3 by 3 pixels.", "Bring a larger one.")


def test_what_is_being_read_when_the_server_stops_is_given_up_and_keeps_nobody_waiting() -> None:
    reader = Reader(nothing_first)
    with ThreadPoolExecutor(1) as pool:
        waits = pool.submit(reader.read, hangs, b"")
        until(lambda: reader._open)
        reader.close()
        with pytest.raises(CutReelError, match="stopping"):
            waits.result(20)


@pytest.mark.long
def test_a_long_file_keeps_nobody_waiting() -> None:
    readers = Readers(nothing_first, 2)
    try:
        first = readers.read(whose, b"")[0]
        assert readers.read(whose, b"")[0] == first, "no second process while the first is free"
        with ThreadPoolExecutor(1) as pool:
            waits = pool.submit(readers.read, hangs, b"")
            until(lambda: readers._readers[0].busy)
            pid, length = readers.read(whose, b"ab")
            assert length == 2 and pid != first
            readers.close()
            with pytest.raises(CutReelError, match="stopping"):
                waits.result(20)
    finally:
        readers.close()


@pytest.mark.long
def test_what_breaks_hangs_or_blows_up_there_harms_nothing_here() -> None:
    reader = Reader(nothing_first)
    try:
        pid, length = reader.read(whose, b"abc")
        assert length == 3 and pid != os.getpid()
        assert reader.read(whose, b"")[0] == pid, "one process for many files"
        with pytest.raises(BadInput, match="only 3 by 3"):
            reader.read(says_no, b"")
        for work, said in ((dies, "what opens it gave up"), (grows, "takes more than 2 gigabytes")):
            with pytest.raises(BadInput, match=said):
                reader.read(work, b"")
            assert reader.read(whose, b"ab")[1] == 2
        reader.seconds = 1
        with pytest.raises(BadInput, match="within 1 seconds"):
            reader.read(hangs, b"")
        assert reader.read(whose, b"a")[1] == 1
    finally:
        reader.close()
