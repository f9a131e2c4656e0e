"""Backups on the command line."""

from pathlib import Path

import click

from cutreel.running.backup import back_up
from cutreel.running.backup import restore as restored
from cutreel.running.private import keep_to_ourselves

from .telling import told

USUAL = Path(__file__).parents[2] / "data"
"""Where bin/start keeps everything, unless it is told."""


def _tell(line: str) -> None:
    click.echo(f"\r\033[K{line}", err=True, nl=False)


@click.command()
@click.argument("folder", type=click.Path(path_type=Path, file_okay=False))
@click.option(
    "--data",
    type=click.Path(path_type=Path),
    default=USUAL,
    show_default=True,
    help="The folder to back up.",
)
def backup(folder: Path, data: Path) -> None:
    """Back everything up into FOLDER, while Cut Reel runs. What an earlier backup left there is not copied again."""
    keep_to_ourselves()
    with told():
        made = back_up(data.resolve(), folder.resolve(), _tell)
        click.echo("", err=True)
        for name in made.faults:
            click.echo(f"{name} is damaged and is not in the backup; make it again")
        click.echo(
            f"{len(made.media)} media files and the database are in {folder}, as of {made.at:%H:%M:%S} UTC"
        )


@click.command()
@click.argument("folder", type=click.Path(path_type=Path, file_okay=False, exists=True))
@click.option(
    "--data", type=click.Path(path_type=Path), required=True, help="A new folder to bring it into."
)
def restore(folder: Path, data: Path) -> None:
    """Bring the last backup of FOLDER into a new data folder."""
    keep_to_ourselves()
    with told():
        faults = restored(folder.resolve(), data.resolve(), _tell)
        click.echo("", err=True)
        for fault in faults:
            click.echo(f"{fault}; make it again")
        click.echo(f"All is in {data}. Start it with bin/start --data {data}")
