"""From pictures and paths to frames, from frames to segments, from segments to a film.

What it offers stands in `__init__.pyi`. Each is loaded when it is first asked for: what draws brings the compiler
along, fifty megabytes and most of a second, and who plans, reads or mixes a film draws nothing.
"""

import lazy_loader

__getattr__, __dir__, __all__ = lazy_loader.attach_stub(__name__, __file__)
