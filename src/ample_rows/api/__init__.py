"""The web layer: thin routers over the core and the store, and the built pages."""
