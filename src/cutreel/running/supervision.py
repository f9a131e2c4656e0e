"""The configuration of supervisor, the process manager: what runs, in which order, and what is said when one dies."""

import sys
from pathlib import Path

from .cluster import Cluster
from .temporary import standins_command

WORKERS = 2


def configuration(cluster: Cluster, folder: Path, environment: dict[str, str], services: str, port: int) -> str:
    """An INI file for supervisord. Programs but the database and the opener wait until the opener starts them."""
    variables = ",".join(f'{k}="{v.replace("%", "%%")}"' for k, v in environment.items())
    web = [sys.executable, "-m", "uvicorn", "--factory", "cutreel.api:from_environment", "--host", "127.0.0.1", "--port", str(port),
           "--log-level", "warning", "--timeout-graceful-shutdown", "2"]
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
        _program("database", cluster.command(), autostart=True, priority=1, more=("user=postgres\ndirectory=/" if cluster.as_root else "") + "\nstopsignal=INT"),
        _program("opener", [sys.executable, "-m", "cutreel.running.opener", str(folder)], autostart=True, priority=2, more="autorestart=false\nstartsecs=0"),
        _program("stand-ins", standins_command(services), priority=3),
        *(_program(f"worker-{i + 1}", [sys.executable, "-m", "cutreel.jobs.tasks"], priority=4) for i in range(WORKERS)),
        _program("web", web, priority=5),
    ]
    return "\n".join(parts)


def _program(name: str, command: list[str], *, autostart: bool = False, priority: int, more: str = "") -> str:
    restart = "" if "autorestart" in more else "autorestart=true\n"
    line = " ".join(command).replace("%", "%%")
    return (f"[program:{name}]\ncommand={line}\nautostart={'true' if autostart else 'false'}\n{restart}priority={priority}\n"
            "stopasgroup=true\nkillasgroup=true\nstopwaitsecs=8\nstartretries=5\n"
            f"stdout_logfile=/dev/stdout\nstdout_logfile_maxbytes=0\nredirect_stderr=true\n{more}\n")
