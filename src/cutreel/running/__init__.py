"""Running Cut Reel on one machine: its own database cluster, the stand-ins, workers and the web server."""

from .cluster import Cluster
from .ports import free_port, is_free
from .temporary import Temporary, temporary

__all__ = ["Cluster", "Temporary", "free_port", "is_free", "temporary"]
