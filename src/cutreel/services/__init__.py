"""The client of the service protocol: posts jobs, waits, retries what may be retried, says why the
rest failed."""

from .client import Delivered, ServiceDown, ServiceRefused, Services, services_from_environment

__all__ = ["Delivered", "ServiceDown", "ServiceRefused", "Services", "services_from_environment"]
