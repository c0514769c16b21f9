"""Words: what every figure and message is put into."""
