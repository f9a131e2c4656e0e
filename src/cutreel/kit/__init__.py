"""Write a service in one function a kind: offers, jobs, idempotency, progress and files by hash are here.

    from cutreel.kit import Given, Service
    from cutreel.protocol import PictureInput

    service = Service("Night sketcher")

    @service.makes("picture", price="0.01", per="picture", prompt_characters=600)
    def draw(job: PictureInput, given: Given) -> bytes:
        return my_model(job.prompt, job.seed, job.width, job.height)

`bin/cutreel service run FILE` runs the `service` of a file.
"""

from .files import Files
from .given import Given, Made, Refuses
from .server import app_of
from .service import Service

__all__ = ["Files", "Given", "Made", "Refuses", "Service", "app_of"]
