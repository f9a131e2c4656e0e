"""Running Cut Reel on one machine: its own database cluster, the stand-ins, workers and the web
server.

Modules are imported by name, not from here: the start command must not load what only workers need.
"""
