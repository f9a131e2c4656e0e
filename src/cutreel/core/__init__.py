"""The job itself: pure functions and plain models.

Nothing here opens a file, a socket or a database. Time, randomness and ids are passed in.
"""
