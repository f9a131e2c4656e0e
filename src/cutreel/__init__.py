"""Cut Reel: from a script to a narrated, animated story film."""

__version__ = "0.1.0"
