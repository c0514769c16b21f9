"""An entry as it is typed in one line: what its words and numbers are read as."""
