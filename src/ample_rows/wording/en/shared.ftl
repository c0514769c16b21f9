# What several areas say alike.

verbatim = { $text }
sentences = { $parts }
clauses = { $parts }
ways-out = { $fixes }.
planting-named = { $crop } in { $where }
place-beside = what stands beside it
