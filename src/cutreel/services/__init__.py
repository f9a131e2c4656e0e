"""The client of the service protocol: posts jobs, waits, retries what may be retried, says why the
rest failed."""

from .bounded import MOST_BYTES, ServiceRefused, read_bounded
from .client import Delivered, ServiceDown, Services, services_from_environment

__all__ = [
    "MOST_BYTES",
    "Delivered",
    "ServiceDown",
    "ServiceRefused",
    "Services",
    "read_bounded",
    "services_from_environment",
]
