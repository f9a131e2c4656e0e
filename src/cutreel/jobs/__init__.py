"""What runs on the queue: making, mixing, rendering, delivering. Everything can be repeated without
harm."""

from .bringing import bring_many
from .preview import PreviewDesk
from .runner import cancel_run, estimate, go_on_run, pause_run, start_run
from .workshop import Workshop, workshop_from_environment
from .writing import write

# fmt: off
__all__ = [
    "PreviewDesk", "Workshop", "bring_many", "cancel_run", "estimate", "go_on_run", "pause_run",
    "start_run", "workshop_from_environment", "write",
]
# fmt: on
