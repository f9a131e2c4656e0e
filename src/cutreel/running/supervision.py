"""The configuration of supervisor, the process manager: what runs, in which order, and what is said when one dies."""

import sys
from pathlib import Path

from . import commands
from .cluster import Cluster

WORKERS = 2


def configuration(cluster: Cluster, folder: Path, environment: dict[str, str], services: str, port: int) -> str:
    """An INI file for supervisord. The stand-ins and the workers wait until the opener starts them,
    so that the page is there first."""
    variables = ",".join(f'{k}="{v.replace("%", "%%")}"' for k, v in environment.items())
    parts = [
        f"""[supervisord]
nodaemon=true
logfile={folder}/supervisor.log
logfile_maxbytes=2MB
loglevel=info
pidfile={folder}/supervisor.pid
silent=true
{"user=root" if cluster.as_root else ""}
environment={variables}

[unix_http_server]
file={folder}/supervisor.sock
chmod=0600

[supervisorctl]
serverurl=unix://{folder}/supervisor.sock

[rpcinterface:supervisor]
supervisor.rpcinterface_factory = supervisor.rpcinterface:make_main_rpcinterface

[eventlistener:crier]
command={sys.executable} -m cutreel.running.crier
events=PROCESS_STATE
stderr_logfile=/dev/stderr
stderr_logfile_maxbytes=0
""",
        _program(
            "database",
            cluster.command(),
            autostart=True,
            priority=1,
            more=("user=postgres\ndirectory=/" if cluster.as_root else "") + "\nstopsignal=INT",
        ),
        _program(
            "opener",
            [sys.executable, "-m", "cutreel.running.opener", str(folder)],
            autostart=True,
            priority=2,
            more="autorestart=false\nstartsecs=0",
        ),
        _program("stand-ins", commands.standins(services), priority=3),
        *(_program(f"worker-{i + 1}", commands.worker(), priority=4) for i in range(WORKERS)),
        _program("web", commands.web(port), autostart=True, priority=2),
    ]
    return "\n".join(parts)


def _program(name: str, command: list[str], *, autostart: bool = False, priority: int, more: str = "") -> str:
    restart = "" if "autorestart" in more else "autorestart=true\n"
    line = " ".join(command).replace("%", "%%")
    return (
        f"[program:{name}]\ncommand={line}\nautostart={str(autostart).lower()}\n{restart}priority={priority}\n"
        "stopasgroup=true\nkillasgroup=true\nstopwaitsecs=8\nstartretries=5\n"
        f"stdout_logfile=/dev/stdout\nstdout_logfile_maxbytes=0\nredirect_stderr=true\n{more}\n"
    )
