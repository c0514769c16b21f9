"""Questions on succession: waves, follow-on crops, where to lead vines."""
