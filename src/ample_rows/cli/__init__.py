"""The command line: thin words over the core, the store and the server."""
