"""Compile, when Cut Reel is installed, what is compiled once for this machine; it is kept beside the code.

Otherwise the first film waits for it, and every worker compiles it for itself and holds the compiler's memory from
then on.
"""

from cutreel.core.film import Settings, new_film
from cutreel.core.render import render_sample


def compile_all() -> None:
    """Cut a story and render a few frames, small ones."""
    new_film("warm", "One word after another. “Two,” said Ada. Ada rowed.", Settings())
    render_sample()


if __name__ == "__main__":
    compile_all()
