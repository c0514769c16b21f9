"""Questions on covers: how each is made, and which crops ask for one."""
