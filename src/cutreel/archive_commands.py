"""Films as archives on the command line: out of, and into, a Cut Reel that runs; verified on their own."""

import time
from pathlib import Path
from typing import Any

import click
import httpx

from cutreel.core.errors import BadInput, CutReelError, NotFound
from cutreel.making import faults_in
from cutreel.running.backup import folder_faults

from .telling import told

USUAL = "http://127.0.0.1:8420"
STEP = 0.4
"""Seconds between two looks at a run."""


def take_out(address: str, film: str, out: Path, tell: Any) -> None:
    """Have a film packed, and write its archive to `out`. A film is named by its id or its title."""
    with _client(address) as client:
        found = _film(client, film)
        run = _answered(client.post(f"/api/films/{found}/runs", json={"kind": "archive"}))
        while run["state"] in ("going", "paused"):
            tell(f"packing, {round(run['share'] * 100)} %")
            time.sleep(STEP)
            runs = _answered(client.get(f"/api/films/{found}/runs"))
            run = next(r for r in runs if r["id"] == run["id"])
        if run["state"] != "done":
            raise CutReelError(f"The film was not packed: {run['message']}")
        name = run["outcome"]["files"][0]["name"]
        part = out.with_name(f".{out.name}.part")
        with client.stream("GET", f"/api/runs/{run['id']}/files/{name}") as answer:
            answer.raise_for_status()
            with part.open("wb") as file:
                for block in answer.iter_bytes():
                    file.write(block)
        part.replace(out)


def bring_in(address: str, archive: Path) -> dict[str, Any]:
    """Bring a film in; returns what became of it."""
    if not archive.is_file():
        raise BadInput(f"There is no file {archive}.", "Name the archive of a film.")
    with _client(address) as client, archive.open("rb") as file:
        film: dict[str, Any] = _answered(client.post("/api/archives", files={"file": file}))
        return film


def verify(archive: Path) -> tuple[str, list[str]]:
    """Look at every file of an archive: a sentence of what it holds, and one for each that is not as it was."""
    if not archive.is_file():
        raise BadInput(f"There is no file {archive}.", "Name the archive of a film.")
    with archive.open("rb") as file:
        whole, count, faults = faults_in(file)
    said = f"{whole.title}: {count} media files, {len(whole.takes)} takes, {len(whole.changes)} changes"
    return said, [f"{f.name} {f.says}" for f in faults]


def _client(address: str) -> httpx.Client:
    return httpx.Client(base_url=address, timeout=httpx.Timeout(30, read=600))


def _film(client: httpx.Client, named: str) -> str:
    films: list[dict[str, str]] = _answered(client.get("/api/films"))
    found = [f["id"] for f in films if named in (f["id"], f["title"])]
    if not found:
        raise NotFound(f"No film is called {named}.", "Name it by its title, or by its id.")
    if len(found) > 1:
        raise BadInput(
            f"{len(found)} films are called {named}.", "Name one by its id: " + ", ".join(found)
        )
    return found[0]


def _answered(answer: httpx.Response) -> Any:
    if answer.is_success:
        return answer.json()
    try:
        told = answer.json()
        sentence, advice = told["title"], told.get("detail", "")
    except (ValueError, KeyError):
        sentence, advice = f"The server answered {answer.status_code}.", ""
    raise CutReelError(sentence, advice)


@click.command()
@click.argument("film")
@click.argument("out", type=click.Path(path_type=Path))
@click.option("--address", default=USUAL, show_default=True, help="Where Cut Reel runs.")
def export(film: str, out: Path, address: str) -> None:
    """Write FILM, named by its title or id, to the archive OUT, whole."""
    with told():
        take_out(address, film, out, lambda line: click.echo(line, err=True))
        click.echo(f"wrote {out}", err=True)


@click.command("import")
@click.argument("archive", type=click.Path(path_type=Path))
@click.option("--address", default=USUAL, show_default=True, help="Where Cut Reel runs.")
def import_(archive: Path, address: str) -> None:
    """Bring the film of an ARCHIVE in."""
    with told():
        film = bring_in(address, archive)
        click.echo(f"{film['title']} is on the shelf: {address}/film/{film['film']}/sheet")
        for fault in film["faults"]:
            click.echo(f"{fault['name']} {fault['says']}; make it again", err=True)


@click.command("verify")
@click.argument("place", type=click.Path(path_type=Path))
def verify_(place: Path) -> None:
    """Look whether every file of PLACE is as it was: an archive of a film, a folder of backups, or a data folder. Exit
    status 1 where one is not."""
    with told():
        if place.is_dir():
            count, faults = folder_faults(place)
            said = f"{count} media files"
        else:
            said, faults = verify(place)
        for fault in faults:
            click.echo(fault)
        click.echo(
            f"{said}; {'all as they were' if not faults else f'{len(faults)} are not as they were'}"
        )
        if faults:
            raise SystemExit(1)
