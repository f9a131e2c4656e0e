"""Services on the command line: looked over, and run from a file that is written with the kit."""

import importlib.util
import sys
from pathlib import Path

import click
import httpx
import uvicorn

from cutreel.bridge import check_address, check_service
from cutreel.core.errors import BadInput, CutReelError
from cutreel.kit import Service, app_of

from .telling import told

PROGRAM = 8790
"""The port on which a service of the kit answers, unless another is named."""


@click.group()
def service() -> None:
    """Look a service over, or run one of your own."""


@service.command()
@click.argument("address")
@click.option("--key", envvar="CUTREEL_SERVICE_KEY", default="", help="The key it asks for.")
@click.option("--patience", default=60.0, show_default=True, help="Seconds for one small order.")
def check(address: str, key: str, patience: float) -> None:
    """Look over whether the service at ADDRESS keeps to the protocol. It orders small things, which cost what they
    cost."""
    with told():
        check_address(address)
        headers = {"Authorization": f"Bearer {key}"} if key else {}
        with httpx.Client(base_url=address, headers=headers, timeout=30, trust_env=False) as client:
            report = check_service(client, patience)
        for finding in report.findings:
            click.echo(f"{'keeps ' if finding.ok else 'BREAKS'}  {finding.rule}: {finding.says}")
        broken = sum(1 for f in report.findings if not f.ok)
        click.echo(f"The orders cost {report.spent}.")
        if broken:
            raise CutReelError(f"{broken} rules are not kept.", "docs/services.md explains each.")
        click.echo("It keeps to the protocol.")


@service.command()
@click.argument("file", type=click.Path(path_type=Path))
@click.option("--port", type=click.IntRange(1024, 65535), default=PROGRAM, show_default=True)
@click.option("--data", type=click.Path(path_type=Path), help="Where its jobs and files are kept.")
@click.option(
    "--key", envvar="CUTREEL_SERVICE_KEY", default="", help="A key that callers must have."
)
def run(file: Path, port: int, data: Path | None, key: str) -> None:
    """Run the service that a Python FILE makes with the kit, on this machine."""
    with told():
        found = service_in(file)
        folder = data or Path("data") / "service" / file.stem
        offers = ", ".join(found.makables) or "nothing"
        click.echo(f"{found.title} offers {offers} at http://127.0.0.1:{port}  (Ctrl-C ends it)")
        uvicorn.run(app_of(found, folder, key), host="127.0.0.1", port=port, log_level="warning")


def service_in(file: Path) -> Service:
    """The service of a file. Raises BadInput in words its author can act on."""
    if not file.is_file():
        raise BadInput(f"There is no file {file}.", "Name a Python file.")
    spec = importlib.util.spec_from_file_location(f"service_{file.stem}", file)
    assert spec is not None and spec.loader is not None
    module = importlib.util.module_from_spec(spec)
    sys.modules[spec.name] = module
    try:
        spec.loader.exec_module(module)
    except Exception as error:
        raise BadInput(
            f"{file} cannot be loaded: {type(error).__name__}: {error}",
            "Correct it, and try again.",
        ) from error
    found = [v for v in vars(module).values() if isinstance(v, Service)]
    if len(found) != 1:
        raise BadInput(
            f"{file} has {len(found)} services; one is meant.",
            "Write service = Service(“Its name”).",
        )
    return found[0]
