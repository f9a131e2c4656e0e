"""What can be told of a picture by itself: borders, blur, marks like lettering, and how alike two are."""

from .checks import Checks, check_picture
from .faults import Fault, FigureSeen, alike, faults_of_picture
from .masks import feathered, laid_into

# fmt: off
__all__ = [
    "Checks", "Fault", "FigureSeen", "alike", "check_picture", "faults_of_picture", "feathered", "laid_into",
]
# fmt: on
