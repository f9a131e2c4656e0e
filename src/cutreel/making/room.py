"""Room on the disk: said before it is used up; what found none waits, and goes on by itself."""

import errno

from .workshop import Workshop

FULL = (errno.ENOSPC, errno.EDQUOT)
DISK_FULL = "The disk is full. Make room, and it goes on by itself."
LEAST, LITTLE = 20_000_000, 1_500_000_000
"""Bytes below which a disk counts as full, and below which somebody is told."""


def no_room(shop: Workshop, error: Exception) -> bool:
    """Whether something failed since the disk is full: it says so itself, or the disk does, as when a program that we
    ran says something else."""
    return (isinstance(error, OSError) and error.errno in FULL) or is_full(shop)


def is_full(shop: Workshop) -> bool:
    """Whether the disk is full."""
    free = shop.media.free()
    return free is not None and free < LEAST


def told_of_room(shop: Workshop) -> str:
    """A sentence where little room is left; empty where there is enough."""
    free = shop.media.free()
    if free is None or free >= LITTLE:
        return ""
    if free < LEAST:
        return "The disk is full: nothing more is made until there is room. What you edit is kept as long as it can be."
    return f"{free / 1e9:.1f} GB are left on the disk. A film of an hour wants about 1.5 GB."
