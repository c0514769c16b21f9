# What is wrong with a plan, said at the field that it is wrong in; each follows the field's name.

fault-run = must run from a lower to a higher measure within 0 to { $length }, the length of its edge
fault-rim-gap = { $gap } leaves no soil in a wall of { $wall }
fault-base = { $base } leaves no mix in a fill of { $fill }
fault-mesh-short = { $mesh } of mesh do not reach over { $span }; enter more
fault-points-near = must be at least { $least } from the point before
fault-off-the-bed = { $x } across and { $y } along lies off the bed: across it runs from { $x0 } to { $x1 }, along it from { $y0 } to { $y1 }
fault-spot-outside = { $x } across and { $y } along lies outside the planting's squares
fault-spots-near = stands nearer than { $least } to spot { $other }; move one of them
fault-crown = must lie below the height of { $height }
fault-table-day = is no day; write it as 2027-08-03
fault-table-amount = is no amount; write a number
fault-table-kind = is none of sown, up, thinned, set-out, tied, fed, watered, seen, picked, cleared, soil, note, verdict
fault-table-crop = is no crop of the book; write it as the book does
fault-table-place = is no place of this garden; write it as it is called here
