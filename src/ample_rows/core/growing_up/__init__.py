"""Growing up: what stands on a support, how it is built and braced, and the shade it throws."""
