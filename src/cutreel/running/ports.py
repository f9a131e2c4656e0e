"""Ports on loopback."""

import socket

LOOPBACK = "127.0.0.1"


def is_free(port: int) -> bool:
    """Whether nothing listens on `port` and we may."""
    with socket.socket() as s:
        s.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            s.bind((LOOPBACK, port))
        except OSError:
            return False
    return True


def free_port() -> int:
    """A port that is free now."""
    with socket.socket() as s:
        s.bind((LOOPBACK, 0))
        port: int = s.getsockname()[1]
        return port
