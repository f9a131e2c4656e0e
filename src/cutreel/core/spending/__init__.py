"""Money and who makes what: the ledger summed up, and a plan under limits."""

from .batch import FilmIn, Next, OfBatch, next_of, why_not
from .calendar import DayShare, Reckoned, ToMake, reckon
from .plan import Maker, PlanLimits, Planned, Step, cost_of_limits, plan
from .statement import Charge, Compared, Difference, compared
from .totals import FilmMoney, Paid, Totals, by_shot, film_money, totals

__all__ = [
    "Charge",
    "Compared",
    "DayShare",
    "Difference",
    "FilmIn",
    "FilmMoney",
    "Maker",
    "Next",
    "OfBatch",
    "Paid",
    "PlanLimits",
    "Planned",
    "Reckoned",
    "Step",
    "ToMake",
    "Totals",
    "by_shot",
    "compared",
    "cost_of_limits",
    "film_money",
    "next_of",
    "plan",
    "reckon",
    "totals",
    "why_not",
]
