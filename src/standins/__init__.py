"""The simulated services that ship with Cut Reel: an illustrator, a voice, a sound maker and a
composer.

They are simulations and say so. They share nothing with the application but `cutreel.protocol`.
"""
