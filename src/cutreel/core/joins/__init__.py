"""Joins: which one stands where, and how far a pixel has gone over in each of their patterns."""

from .patterns import edge_map
from .planned import JoinAmount, PlannedJoin, Turn, plan_joins

__all__ = ["JoinAmount", "PlannedJoin", "Turn", "edge_map", "plan_joins"]
