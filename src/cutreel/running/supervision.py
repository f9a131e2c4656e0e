"""The configuration of supervisor, the process manager: what runs, in which order, and where each
writes its log."""

from pathlib import Path

from . import commands
from .cluster import Cluster

WORKERS = 2


def configuration(
    cluster: Cluster,
    folder: Path,
    environment: dict[str, str],
    services: str,
    port: int,
    door: int | None = None,
) -> str:
    """An INI file for supervisord. The stand-ins, the workers and the demo wait until they are
    started, so that the page is there first; the door runs only with a port of its own."""
    variables = ",".join(f'{k}="{v.replace("%", "%%")}"' for k, v in environment.items())
    parts = [
        f"""[supervisord]
nodaemon=true
logfile={folder}/logs/supervisor.log
logfile_maxbytes=2MB
loglevel=info
pidfile={folder}/supervisor.pid
silent=true
umask=077
{"user=root" if cluster.as_root else ""}
environment={variables}

[unix_http_server]
file={folder}/supervisor.sock
chmod=0600

[supervisorctl]
serverurl=unix://{folder}/supervisor.sock

[rpcinterface:supervisor]
supervisor.rpcinterface_factory = supervisor.rpcinterface:make_main_rpcinterface
""",
        _program(
            folder,
            "database",
            cluster.command(),
            autostart=True,
            priority=1,
            more=("user=postgres\ndirectory=/" if cluster.as_root else "") + "\nstopsignal=INT",
        ),
        _program(folder, "stand-ins", commands.standins(services), priority=3),
        *(
            _program(folder, f"worker-{i + 1}", commands.worker(), priority=4)
            for i in range(WORKERS)
        ),
        _program(folder, "web", commands.web(port), autostart=True, priority=2),
        *(
            []
            if door is None
            else [_program(folder, "door", commands.door(door), autostart=True, priority=2)]
        ),
        _program(
            folder, "demo", commands.demo(), priority=5, more="autorestart=false\nstartsecs=0"
        ),
    ]
    return "\n".join(parts)


def log_of(folder: Path, name: str) -> Path:
    """Where a process of a data folder writes its log."""
    return folder / "logs" / f"{name}.log"


def _program(
    folder: Path,
    name: str,
    command: list[str],
    *,
    autostart: bool = False,
    priority: int,
    more: str = "",
) -> str:
    restart = "" if "autorestart" in more else "autorestart=true\n"
    line = " ".join(command).replace("%", "%%")
    return (
        f"[program:{name}]\ncommand={line}\nautostart={str(autostart).lower()}\n{restart}priority={priority}\n"
        "stopasgroup=true\nkillasgroup=true\nstopwaitsecs=8\nstartretries=2\nredirect_stderr=true\n"
        f"stdout_logfile={log_of(folder, name)}\nstdout_logfile_maxbytes=2MB\nstdout_logfile_backups=1\n{more}\n"
    )
