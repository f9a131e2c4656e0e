"""What runs on the queue: making, mixing, rendering, delivering. Everything can be repeated without harm."""

from .preview import PreviewDesk
from .runner import cancel_run, estimate, start_run
from .workshop import Workshop, workshop_from_environment
from .writing import write

__all__ = ["PreviewDesk", "Workshop", "cancel_run", "estimate", "start_run", "workshop_from_environment", "write"]
