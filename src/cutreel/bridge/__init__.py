"""Makers that are plugged in: servers that speak our protocol, programs, described HTTP interfaces, and hands."""

from .checking import Finding, Report, check_service
from .described import DescribedMaker, Exchange
from .hand import HandList, HandMaker, OnTheList, number_of
from .interface import Interface, read_interface
from .maker import Maker
from .places import NAMES, pictures_of, values_of
from .plugged import ByHand, Described, Plugged, Program, Reached, Said, Spoken
from .program import ProgramMaker, check_program
from .reaching import check_address, client_for
from .secrets import Secrets
from .several import In, Makers, named
from .sniffed import checked, media_type

# fmt: off
__all__ = [
    "NAMES",
    "ByHand",
    "Described",
    "DescribedMaker",
    "Exchange",
    "Finding",
    "HandList",
    "HandMaker",
    "In",
    "Interface",
    "Maker",
    "Makers",
    "OnTheList",
    "Plugged",
    "Program",
    "ProgramMaker",
    "Reached",
    "Report",
    "Said",
    "Secrets",
    "Spoken",
    "check_address",
    "check_program",
    "check_service",
    "checked",
    "client_for",
    "media_type",
    "named",
    "number_of",
    "pictures_of",
    "read_interface",
    "values_of",
]
# fmt: on
