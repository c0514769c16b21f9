## What a filled garden must keep, and does not

fill-must-lacks = { CAPITAL($crop) } must be in, and is not.
fill-never-there = { CAPITAL($crop) } is never to be in, and is.
fill-too-many-kinds = { $kinds } crops stand here; { $most } were asked for at most.
fill-too-soon-after = { CAPITAL($after) } begins before the ground of { $before } is cleared and raked again, on { $ready }.
