"""Money and who makes what: the ledger summed up, and a plan under limits."""

from .plan import Maker, PlanLimits, Planned, Step, cost_of_limits, plan
from .totals import FilmMoney, Paid, Totals, film_money, totals

__all__ = [
    "FilmMoney",
    "Maker",
    "Paid",
    "PlanLimits",
    "Planned",
    "Step",
    "Totals",
    "cost_of_limits",
    "film_money",
    "plan",
    "totals",
]
