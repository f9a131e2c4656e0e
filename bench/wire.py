"""A wire between two programs on this machine that can be cut, held up, or broken for a while: what a network does."""

import socket
import struct
import threading
import time
from contextlib import suppress

CHUNK = 65_536
RESET = struct.pack("ii", 1, 0)
"""Of SO_LINGER: a connection that is closed so is reset, as when the other machine is gone."""


class Wire:
    """Listens on a port of its own and passes on all that is said to the one `behind` it, both ways."""

    def __init__(self, behind: int) -> None:
        self.behind = behind
        self._server = socket.create_server(("127.0.0.1", 0))
        self.port: int = self._server.getsockname()[1]
        self._open: set[socket.socket] = set()
        self._lock = threading.Lock()
        self._flows, self._broken = threading.Event(), threading.Event()
        self._flows.set()
        threading.Thread(target=self._listen, daemon=True).start()

    def cut(self) -> None:
        """Everything that is being said ends in the middle."""
        with self._lock:
            ends, self._open = self._open, set()
        for end in ends:
            with suppress(OSError):
                end.setsockopt(socket.SOL_SOCKET, socket.SO_LINGER, RESET)
            with suppress(OSError):
                end.shutdown(socket.SHUT_RDWR)
            end.close()

    def hold(self, seconds: float) -> None:
        """Nothing goes through for so long; then all of it does."""
        self._flows.clear()
        time.sleep(seconds)
        self._flows.set()

    def part(self, seconds: float) -> None:
        """Nobody gets through for so long, and who was through is cut off."""
        self._broken.set()
        self.cut()
        time.sleep(seconds)
        self._broken.clear()

    def close(self) -> None:
        """End the wire."""
        self._server.close()
        self.cut()

    def _listen(self) -> None:
        while True:
            try:
                near, _ = self._server.accept()
            except OSError:
                return
            if self._broken.is_set():
                near.close()
                continue
            try:
                far = socket.create_connection(("127.0.0.1", self.behind))
            except OSError:
                near.close()
                continue
            with self._lock:
                self._open |= {near, far}
            for one, other in ((near, far), (far, near)):
                threading.Thread(target=self._pass_on, args=(one, other), daemon=True).start()

    def _pass_on(self, one: socket.socket, other: socket.socket) -> None:
        with suppress(OSError):
            while said := one.recv(CHUNK):
                self._flows.wait()
                other.sendall(said)
        with suppress(OSError):
            other.shutdown(socket.SHUT_WR)
        with self._lock:
            self._open.discard(one)
