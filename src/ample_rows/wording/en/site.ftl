# The yard: sun, reach, paths, turning a place, borders.

bears-sun-enough-any-crop = Sun enough for any crop in every month.
bears-sun-enough = Sun enough for { $crops }.
bears-part = { $what } { $when }
bears-roots = roots
bears-leaves = leaves
bears-fruit-crops = fruit crops
bears-all-year = all year
bears-no-month = in no month
bears-in = in { $months }
bears-from = from { $months } to { $until }
bears-spans = { $spans }

paths-and = { $left_name } and { $right_name }
reach-farthest-square-reaches = The farthest square is { $most } in; { $worker } reaches { $arm }.
reach-no-room-stand-beside = There is no room to stand beside it.
reach-part-rim-has-no = Part of its rim has no room to stand at.

turning-turn-quarter = Turn it a quarter
turning-turned-quarter-would = Turned a quarter, { $label } would { $sun } and { $end }.
turning-sun-day = { $change ->
    [gain] gain { $hours } h of sun per day
   *[lose] lose { $hours } h of sun per day
}
turning-get-same-sun = get the same sun
turning-harvest-would-hardly-differ = its harvest would hardly differ: leave it as it is
turning-give = { $change ->
    [more] give about { $kg } more: worth it where the paths allow
   *[less] give about { $kg } less: leave it as it is
}
borders-side = { $name }, { $compass_point } side
path-lift = Lift { $litres } onto the beds beside it
path-trade = Let { $place } trade places with it
path-turn = Turn it
