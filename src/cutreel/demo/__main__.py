"""`python -m cutreel.demo`: loads the sample films into the workshop that the environment names."""

from cutreel.making import workshop_from_environment

from . import load_demo

if __name__ == "__main__":
    load_demo(workshop_from_environment())
