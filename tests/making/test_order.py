"""Which queue takes what runs ask for."""

from cutreel.making import REGISTRY
from cutreel.making.registry import COMPUTING, SERVICES


def test_what_waits_for_services_does_not_stand_behind_what_is_computed() -> None:
    queues = {name: kind.queue for name, kind in REGISTRY.kinds.items()}
    assert {k for k, q in queues.items() if q == COMPUTING} == {
        "segment",
        "mix",
        "archive",
        "board",
        "stills",
        "moving-picture",
        "parts",
        "stems",
        "fitted",
        "paced",
        "join",
        "reading",
        "hearing",
        "following",
        "listening",
        "cleaning",
    }
    assert {k for k, q in queues.items() if q == SERVICES} == {
        "picture",
        "speech",
        "sound",
        "music",
        "retouch",
        "enlarge",
        "clip",
        "translation",
        "thumbnail",
    }
