"""`bin/start`: checks the ground, then runs everything under a process manager and watches over
it."""

import os
import shutil
import sys
from pathlib import Path

import click

from cutreel.core.errors import CutReelError

from .cluster import Cluster
from .ports import free_port, is_free, own_address
from .private import keep_to_ourselves, make_private, secret_in, write_private
from .supervision import configuration
from .watch import Watch

LEAST_FREE = 600_000_000
MARKER = "cutreel-data"


@click.command()
@click.option(
    "--port",
    type=click.IntRange(1, 65535),
    default=8420,
    show_default=True,
    help="The port of the web page.",
)
@click.option(
    "--data", type=click.Path(path_type=Path), help="The folder for films, media and the database."
)
@click.option(
    "--door",
    type=click.IntRange(1024, 65535),
    help="Open the door for others at this port of the machine, so that links work. Closed otherwise.",
)
@click.option("--no-demo", is_flag=True, help="Do not load the sample film.")
@click.option("--reset", is_flag=True, help="Throw everything in the data folder away first.")
@click.option("--web", type=click.Path(path_type=Path), required=True, hidden=True)
@click.option("--default-data", type=click.Path(path_type=Path), required=True, hidden=True)
def start(
    port: int,
    data: Path | None,
    door: int | None,
    no_demo: bool,
    reset: bool,
    web: Path,
    default_data: Path,
) -> None:
    """Start Cut Reel on this machine."""
    folder = (data or default_data).resolve()
    keep_to_ourselves()
    try:
        if not is_free(port):
            raise CutReelError(
                f"Port {port} is taken.",
                "Another Cut Reel may be running; else choose one with --port.",
            )
        cluster = _ground(folder, reset)
    except CutReelError as error:
        click.echo(f"cutreel: {error}", err=True)
        sys.exit(1)
    except OSError as error:
        click.echo(
            f"cutreel: {folder} cannot be used: {error.strerror}. Choose another folder with --data.",
            err=True,
        )
        sys.exit(1)
    services = f"http://127.0.0.1:{free_port()}"
    key = secret_in(folder / "keys" / "page")
    environment = {
        "CUTREEL_DATABASE": cluster.address,
        "CUTREEL_MEDIA": str(folder / "media"),
        "CUTREEL_KEPT": str(folder / "kept"),
        "CUTREEL_SERVICES": services,
        "CUTREEL_BY_HAND": str(folder / "by-hand"),
        "CUTREEL_SECRETS": str(folder / "keys" / "services"),
        "STANDINS_DIR": str(folder / "standins"),
        # The encoder of AV1 tells of every segment on the terminal otherwise.
        "SVT_LOG": os.environ.get("SVT_LOG", "1"),
        "STANDINS_DELAY": os.environ.get("STANDINS_DELAY", "0.4"),
        "CUTREEL_WEB": str(web),
        "CUTREEL_PORT": str(port),
        "CUTREEL_PAGE_KEY": key,
        "CUTREEL_DOOR": "" if door is None else f"http://{own_address()}:{door}",
        "PYTHONUNBUFFERED": "1",
    }
    (folder / "logs").mkdir(exist_ok=True)
    config = folder / "supervisor.conf"
    write_private(config, configuration(cluster, folder, environment, services, port, door))
    page = f"http://127.0.0.1:{port}"
    sys.exit(Watch(folder, config).run(cluster, services, page, key, demo=not no_demo))


def _ground(folder: Path, reset: bool) -> Cluster:
    """The data folder made ready: there, ours, with room, and with a cluster."""
    if reset and folder.exists():
        if any(folder.iterdir()) and not (folder / MARKER).exists():
            raise CutReelError(
                f"{folder} is not a data folder of Cut Reel.",
                "It is left alone; name another with --data.",
            )
        elsewhere = Cluster(folder, 0).folder
        if elsewhere.parent != folder:
            shutil.rmtree(elsewhere.parent, ignore_errors=True)
        shutil.rmtree(folder)
    folder.mkdir(parents=True, exist_ok=True)
    make_private(folder)
    (folder / MARKER).touch()
    lock = folder / "supervisor.pid"
    if lock.exists() and _alive(lock):
        raise CutReelError(
            "Cut Reel is already running with this data folder.",
            "End it first, or choose another with --data.",
        )
    cluster = Cluster(folder, free_port())
    if not cluster.is_there and shutil.disk_usage(folder).free < LEAST_FREE:
        raise CutReelError(
            f"The disk of {folder} is full.",
            "Make at least 600 megabytes free, or choose another folder with --data.",
        )
    cluster.prepare()
    return cluster


def _alive(lock: Path) -> bool:
    try:
        pid = int(lock.read_text().strip())
        return b"supervisor" in Path(f"/proc/{pid}/cmdline").read_bytes()
    except (ValueError, OSError):
        return False


if __name__ == "__main__":
    start()
