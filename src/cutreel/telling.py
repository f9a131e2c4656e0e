"""Errors as the command line tells them."""

import sys
from collections.abc import Iterator
from contextlib import contextmanager

import click
import httpx

from cutreel.core.errors import CutReelError


@contextmanager
def told() -> Iterator[None]:
    """Errors told in a sentence, with an exit status of their own."""
    try:
        yield
    except CutReelError as error:
        click.echo(f"cutreel: {error}", err=True)
        sys.exit(2)
    except httpx.TransportError:
        click.echo("cutreel: Cut Reel does not answer there. Start it with bin/start.", err=True)
        sys.exit(2)
    except OSError as error:
        click.echo(
            f"cutreel: {error.strerror or error}: {error.filename or ''}".rstrip(": "), err=True
        )
        sys.exit(2)
    except KeyboardInterrupt:
        click.echo("cutreel: stopped; nothing was written.", err=True)
        sys.exit(130)
