"""Runs once under supervisor: sets the database up, starts the rest, prints the address, loads the sample film."""

import os
import sys
from http.client import HTTPConnection
from pathlib import Path
from socket import AF_UNIX, SOCK_STREAM, socket
from typing import Any
from xmlrpc.client import ServerProxy, Transport

from cutreel.core.errors import CutReelError
from cutreel.store.database import database_from_environment

from .cluster import Cluster
from .commands import answers, wait_for
from .prepare import prepare_database
from .supervision import WORKERS


class _Unix(Transport):
    """XML-RPC over supervisor's own socket."""

    def __init__(self, path: str) -> None:
        super().__init__()
        self.path = path

    def make_connection(self, host: Any) -> HTTPConnection:
        connection = HTTPConnection("localhost")
        connection.sock = socket(AF_UNIX, SOCK_STREAM)
        connection.sock.connect(self.path)
        return connection


def main() -> None:
    folder = Path(sys.argv[1])
    supervisor = ServerProxy("http://localhost", transport=_Unix(str(folder / "supervisor.sock")))
    try:
        port = int(os.environ["CUTREEL_DATABASE"].rsplit(":", 1)[1].split("/")[0])
        Cluster(folder, port).wait()
        prepare_database(database_from_environment())
        address = f"http://127.0.0.1:{os.environ['CUTREEL_PORT']}"
        wait_for(lambda: answers(address + "/api/health"), 60, "The web server")
        print(f"Cut Reel is ready at {address}  (Ctrl-C ends it)", flush=True)
        for name in ("stand-ins", *(f"worker-{i + 1}" for i in range(WORKERS))):
            supervisor.supervisor.startProcess(name, False)
        wait_for(lambda: answers(os.environ["CUTREEL_SERVICES"] + "/offers"), 60, "The stand-in services")
        if os.environ.get("CUTREEL_DEMO"):
            from cutreel.demo import load_demo  # only now: loading it takes seconds that the page need not wait for
            from cutreel.jobs import workshop_from_environment

            load_demo(workshop_from_environment())
    except CutReelError as error:
        print(f"cutreel: {error}", flush=True)
        supervisor.supervisor.shutdown()


if __name__ == "__main__":
    main()
