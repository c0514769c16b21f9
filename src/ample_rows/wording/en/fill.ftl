## What a filled garden must keep, and does not

fill-must-lacks = { CAPITAL($crop) } must be in, and is not.
fill-never-there = { CAPITAL($crop) } is never to be in, and is.
fill-too-many-kinds = { $kinds } crops stand here; { $most } were asked for at most.
fill-too-soon-after = { CAPITAL($after) } begins before the ground of { $before } is cleared and raked again, on { $ready }.

## Why a planting is there, and why a crop is not

fill-because = { CAPITAL($crop) } from { $first } to { $last } puts { $more } more on the table.
fill-stays-for-years = { CAPITAL($crop) } stays for years: choose its bed yourself.
fill-no-window = There is no time here in which { $crop } grows and free ground is left for it.
fill-asked-to-leave-out = You asked to leave it out.
fill-outbid = It would grow here, but other crops are worth more on the same ground.
fill-covers = { CAPITAL($crop) } keeps ground covered that would otherwise stand idle.

fill-nothing-wanted = Nobody has said what is eaten: enter it in the pantry, or name a crop that you must have.
fill-no-ground = No ground is free: locked plantings and held squares stay.
fill-nothing-fits = None of what is wanted can be planted in the free ground.

## What differs between two plans

fill-not-wanted = Nobody asked for { $crop }.
fill-in-place-of = { $reason } It takes the place of { $others }.
fill-goes = { CAPITAL($crop) } is left out.
