"""Water: what places need, how it is brought, and what a butt holds."""
