"""Cut Reel: from a script to a narrated, animated story film."""

__version__ = "0.2.0"
