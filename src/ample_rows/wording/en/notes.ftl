# Margin notes: what is wrong and why, then what to do. Buttons begin with a verb.

## The garden

garden-dates-guessed = { $number ->
    [one] The { $dates } here is guessed from your latitude.
   *[other] The { $dates } here are guessed from your latitude.
}
garden-enter-dates = Ask a neighbour or a local weather station, and enter the dates.
garden-no-frost = By its monthly lows this garden has no frost: frost dates are ignored, and sowing windows follow the heat.
garden-correct-lows = If you do get frost, correct the lows of the cold months under Garden.
garden-frosts-at-odds = The usual low around the frost date { $day } is { $low } here: the dates and the weather contradict each other.
garden-which-is-used = Frost is reckoned by the dates, warmth and the cold of winter by the weather. Correct whichever is wrong under Garden.
garden-winter-low-at-odds = The winter low of { $low } and the usual low of the coldest month, { $usual }, contradict each other.
garden-winter-low-is-used = The winter low is what cold is reckoned by. Correct whichever is wrong under Garden.
garden-warmth-unknown = Dates are counted in calendar days. Counting in warmth needs the high and low of each month.
garden-enter-weather = Enter the weather of a usual year under Garden.
garden-wants-unknown = What the household eats is not entered, so the harvest is not compared with it.

set-aside-part = { $path }: { $why }
set-aside-more = and { $more } more
set-aside-part-garden-cannot-used = This version cannot use part of this garden and leaves it out of all figures ({ $parts }). It is kept and exported with the plan.
set-aside-update-ample-rows-or = Update Ample Rows, or delete what was set aside.
set-aside-delete-what-was-set = Delete what was set aside
set-aside-no-figures = No figures: { $text }.
set-aside-delete-place-or-choose = Delete a place, or choose larger squares for it.
set-aside-no-figures-working-them = No figures: a fault of Ample Rows stopped the calculation. The plan itself is kept.
set-aside-undo-last-change-or = Undo the last change, or export the plan and report it with the log.

## What can hurt

caution-of-crop = { CAPITAL($crop) }: { $caution }

## Clashes and relays

clashes-both-hold-from = { CAPITAL($crop) } and { $second } both hold { $shared } from { $start } to { $last }.
clashes-move-one-them-or = Move one of them, or clear the first sooner.
clashes-start = Start the { $crop } on { $clear }
clashes-clear = Clear the { $crop } on { $start }
clashes-start-under = Start the { $crop } under the { $under }: { $day }
clashes-set-between = Set the { $crop } between the { $host }
clashes-starts-under-cleared-leaves = { CAPITAL($second) } starts under the { $crop } on { $start }, to be cleared on { $clear }. Leaves of both cover at most { $covered } of the ground, about { $on }.
clashes-climbs-from-feet = { CAPITAL($second) } climbs from the feet of the { $crop } from { $start }; that is cleared on { $clear }. Leaves of both cover at most { $covered } of the support, about { $on }.
clashes-cut-old-at-foot = Take the lowest leaves off the { $crop } when the young plants start. Later cut it at the foot and leave its roots; take the stems down from the top.
clashes-crowded-first-gives-about = Crowded at first, it gives about { $less } % less.
clashes-lift-hand-plant-time = Lift the { $crop } by hand, one plant at a time: a fork takes the young ones too.

## Depth

depth-grows-root-long-place = { CAPITAL($name) } grows a root { $edible_root } long; this place gives { $usable }, so the roots fork or bend.
depth-has-soil-plant-needs = { CAPITAL($name) } has { $litres_per_plant } of soil per plant and needs at least { $least }. Expect about { $lost } % less.
depth-too-shallow-needs-least = Too shallow for { $crop }: it needs at least { $least }, and there is { $usable }. Expect about { $lost } % less.
depth-here-their-best-expect = Here { $gives }; for a full harvest: { $best }. Expect about { $lost } less.
depth-plant-has = a plant has { $litres_per_plant }
depth-roots-have = roots have { $usable }
depth-full-litres = { $crop } { $full } per plant
depth-full-depth = { $crop } { $full }
depth-grow-deeper-place = Grow it in a deeper place.
depth-larger-pot = Stand it in a larger pot.
depth-fewer-plants = Give each more soil: fewer plants here, or a larger pot.
depth-loosen-deeper = Loosen { $missing } deeper
depth-fill-higher = Fill { $missing } higher
depth-build-wall-higher = Build the wall { $missing } higher
depth-takes-mix = { $what }: { $litres } of mix{ $cost }
depth-about-buy = , about { $cost } to buy
depth-your-own = , of your own
depth-stand-box-high-mix = Stand a box { $wall } high on { $cells }: { $litres } of mix
depth-grow-instead = Grow a { $other } instead
depth-ground-below-not-described = The ground below is not described, so roots are counted only in the fill and in what is loosened.
depth-say-how-ground-below = Say how the ground below is: compacted, ordinary or loose.
depth-ordinary-soil = It is ordinary soil
depth-compacted = It is compacted
depth-ground-below-does-not = The ground below does not count here: { $why }.
depth-card-or-paper-stops = card or paper stops roots until it has rotted; say when it was laid
depth-liner-stops-roots = the liner stops roots
depth-bottom-closed = the bottom is closed
depth-open-bottom-or-fill = Open the bottom, or fill deeper.

## Families

families-too-soon = { CAPITAL($planting) }: { $words }.
families-grow-where-none-family = Grow it where none of its family stood, or watch for what it brings.

## Giving way

giving-way-gives-way-decide-when = { CAPITAL($planting) } gives way to { $crop }: decide by { $meet }, when their leaves meet. Clearing it then costs about { $lost }.
giving-way-leave-longer-if-neighbour = Leave it longer if the neighbour is late, or clear it.
giving-way-can-stay-end-leaves = { CAPITAL($planting) } can stay to its end: the leaves of { $crop } do not reach it.
giving-way-clear = Clear it on { $meet }

## Mixed squares

mixed-between-gives-together-they = { CAPITAL($guest) } between { $crop }: the { $crop } gives { $less }, the { $guest_crop } { $guest_less }. Together they are worth { $worth } times the ground.
mixed-less-plant = { $crowded } less per plant
mixed-what-would-itself = what it would alone
mixed-much-itself = as much as alone
mixed-their-leaves-meet-about = { $text } Their leaves meet about { $meet }.
mixed-have-out-then-or = Clear the { $crop } by then, or let the two stand on together.
mixed-clear = Clear the { $crop } on { $meet }
mixed-set-between-but-two = { CAPITAL($guest) } is set between { $crop }, but the two never stand at the same time.
mixed-start-while-other-stands = Start it while the other stands, or give it the squares to itself.
mixed-give-squares-itself = Give it the squares to itself

## Shelter, rims, animals

shelter-rim-stands-works-up = The rim is { $wall } high; { $worker } works up to { $most }.
shelter-step-beside-or-lower = Put a step beside it, or build a lower wall.
shelter-rim-stands-needs-raised = The rim is { $wall } high; { $worker } needs { $rim }. Raised to { $least } it takes { $more } more mix to pour.
shelter-raise-or-stand-mix = Raise it, or stand the mix on a woody base to save some of that.
shelter-raise = Raise it to { $least }
shelter-leave-room-walk-but = { $gap } to { $path_beside } is enough to walk but not to kneel, which takes { $least }.
shelter-work-from-other-side = Work it from its other side.
shelter-nothing-breaks-strongest-wind = Nothing breaks the strongest wind here, and the support is { $tall } high.
shelter-brace-windward-or-grow = Brace it to windward, or grow a hedge there: a half-open windbreak slows wind better than a solid wall, which throws gusts behind it.
shelter-come-here-they = { CAPITAL($animal) } come here; they { $does }.
shelter-lay-mesh-below = Lay mesh below
shelter-needs-more-water = It needs { $more } more water.
shelter-was-measured-outside-walls = It was measured outside: its walls leave { $width } by { $length } inside, and the squares are counted there.
shelter-cut-boards-longer-both = Cut the boards { $thick } longer both ways if whole squares matter.
shelter-roof-water = Water from a roof carries what birds and the roof leave in it.
shelter-on-the-soil = Pour it on the soil, not over leaves that are eaten raw. Not from roofs of lead, asbestos or treated wood, and no used household water on food crops.
shelter-ground-may-hold = Ground by a road or an old painted wall, under tipped ash or an old orchard can hold lead or arsenic.
shelter-have-ground-tested = Have such ground tested before food grows in it. Until then use bought soil above a cloth, and wash and peel what you pick.
shelter-children-animals-drown-very = Children and animals drown in very little water.
shelter-keep-every-butt-lidded = Keep a lid on every butt, firmly closed.
shelter-between-clear-only-needs = Between { $between }, { $path } has only { $clear } clear; { $need } needs { $least }.
shelter-move-what-stands-or = Move what stands in it, or lead the path round.
shelter-boughs-hang-over = Boughs hang { $headroom } over { $path }.
shelter-raise-crown-or-mind = Raise the crown, or mind your head.

## Soil

soil-soaked-place-weighs-each = Soaked, this place weighs { $kg }: { $load } of the ground it stands on. Your papers allow { $limit }{ $when }.
soil-floor-limit-not-known = Soaked, this place weighs { $kg }: { $load } of the { $floor } it stands on. What the { $floor } can carry is not entered.
soil-ask-someone-licensed = Floor limit not known: ask someone licensed what the { $floor } may carry, with everything else on it, before you fill.
soil-heavy-when-soaked = Soaked, it weighs about { $kg }.
soil-move-by-two = Stand it where it stays before you fill it. Two people or a wheeled stand move it, never one alone.
soil-from = { " " }from { $since }
soil-what-floor-deck-or = What a floor, deck or roof may carry, and where on it, is for an engineer to say; a lighter mix or a shallower fill weighs less.
soil-woody-base-sinks-about = The woody base sinks by about { $sinks } in three years, and fresh wood takes nitrogen while it rots.
soil-top-up-mix-each = Top up with mix each spring, and feed leaf crops more in the first two years.

## Where and how it stands

standing-no-fits-here-plants = No { $crop } fits here: plants stand { $spacing } apart and keep half of that from walls and other crops.
standing-give-block-squares-or = Give it a block of { $wide } × { $wide } squares, plant by a count for each square, or plant closer.
standing-use-book-spacing = Use the book's spacing
standing-set-by-count-square = Plant by a count for each square
standing-no-fits-between-plants = No { $crop } fits between the plants that are there.
standing-plant-both-wider-or = Plant both wider, or give it squares of its own.
standing-support-needs-straight-side = The support for { $crop } stands at an edge, and this place is round.
standing-grow-bed-straight-sides = Stand the support in the bed, along its middle, or grow it without one.
standing-has-nothing-climb-lying = { CAPITAL($planting) } has nothing to climb; lying on the ground it gives about { $lost } % less.
standing-give-net-or-plant = Give it a net, or plant it along one.
standing-does-not-climb-support = { CAPITAL($crop) } does not climb, so the support does nothing for it.
standing-keep-support-climbing-crop = Keep the support for a climbing crop.
standing-give = Give it a { $trainings }
standing-plant-along = Plant it along the { $label } there
standing-put-up-high-pole = Put up a { $trainings } { $height } high on the side away from the sun
standing-net-side-stands-between = The net on the { $side } side stands between its bed and the midday sun and shades the squares behind it.
standing-put-pole-ward-side = Put it on the side away from the sun, where its shade falls outside.
standing-move-pole-ward-side = Move it to the side away from the sun
standing-nobody-has-counted-hours = Nobody has counted the hours of sun here, so light is taken as enough.
standing-give-place-spot-yard = Give the place its spot in the yard, or count the hours on a clear day.
standing-sun-reach-their-best = { $span } h of sun reach { $what }{ $behind }; for a full harvest: { $best }. Expect about { $lost } less.
standing-place = this place
standing-less-before-them = , { $lost_to_neighbours } h less for the { $behind } in front of them
standing-h = { $crop } { $full_sun_hours } h
standing-grow-them-sunnier-place = Grow them in a sunnier place; leaves and salads bear shade best.
standing-not-usually-started-dates = { CAPITAL($crop) } is not usually { $start ->
    [sow] sown in place
    [transplant] raised inside and set out
    [set] planted as sets or tubers
   *[division] divided
}. Its dates are for { $usual ->
    [sow] sowing in place
    [transplant] setting out
    [set] planting sets or tubers
   *[division] divided plants
}.
standing-start = { $usual ->
    [sow] Sow it in place.
    [transplant] Raise it inside and set it out.
    [set] Plant sets or tubers.
   *[division] Plant divisions.
}
standing-start-2 = { $usual ->
    [sow] Sow it in place
    [transplant] Raise it inside and set it out
    [set] Plant sets or tubers
   *[division] Plant divisions
}
standing-would-weigh-about-apiece = { CAPITAL($planting) } would weigh about { $piece } apiece, too small to use.
standing-plant-wider = Plant wider.

## Time

timing-last-years = Picked before { $year }, when this plan’s year begins: { $names }. That is last year’s harvest and is not counted again.
timing-remembered = The bed remembers which families grew there.
timing-starts-before = { CAPITAL($planting) } starts on { $start }; before { $opens } { $why }.
timing-frost-takes-springs = frost takes it in { $risk } springs in 100
timing-frost-takes-leaves = frost takes its leaves in { $risk } springs in 100, and it comes again with less and later
timing-soil-still-cold = it is still too cold for it
timing-still-hot = it is too hot for it
timing-wait-until = Wait until { $opens }.
timing-start-6 = Start on { $ready }
timing-start-2 = Start on { $opens }
timing-start-3 = Start by { $shuts }
timing-start-5 = Start by { $shuts }.
timing-start-4 = Start it on { $ready }.
timing-starts-after-short-cold = { CAPITAL($planting) } starts after { $shuts }; short cold days come before it reaches its size.
timing-starts-after-hot = { CAPITAL($planting) } starts after { $shuts }; it then grows in weeks too hot for it.
timing-frost-ends-when-picking = Frost ends { $planting } when { $share } % of its picking is done.
timing-start-sooner-or-set = Start it sooner, or set out plants instead of seed.
timing-nothing-picked-from = Nothing is picked from { $planting }: { $why }.
timing-frost-comes-about-first = frost comes about { $clear }, and the first pick was due { $due }
timing-cleared-before-first-pick = it is cleared on { $clear }, before its first pick is due ({ $due })
timing-start-sooner-or-choose = Start it sooner, or choose a quicker crop.
timing-let-stand-until-picked = Let it stand until it is picked
timing-usually-ends-here-about = { CAPITAL($planting) } usually ends here about { $usual }, when { $picked_share } % of its picking is done.
timing-grow-early-kind-or = Grow an early kind or one that withstands it, and have a crop ready to follow.
timing-planting-takes-over-then = The planting of { $start } takes over then.
timing-start-second-wave-about = Start a second wave about { $later }, to be picked when this one goes, or grow a kind that withstands it.
timing-start = Start it in { $block } on { $later }
timing-follows-after-days-clearing = { CAPITAL($crop) } follows { $before } after { $rest }; clearing, feeding and raking take about { $wanted } days.
timing-nothing-grows-here = Nothing grows here for { $length } from { $start }.
timing-stand-free-weeks-from = { $cells } stand free for { $length } from { $start }.
timing-choose-these-squares-see = Choose these squares to see what fits.

## Weather

weather-days-usual-take = In { $month } days usually reach { $high }, which costs { $planting } about { $share } of its harvest: { $get }.
weather-cool = It is cool here for { $planting }: expect about { $share } of a good harvest.
weather-warm = The weeks here are warmer than { $planting } grows well in: that alone leaves about { $share } of a good harvest.
weather-flowers-cold = Nights are too cold for the flowers of { $planting }: expect about { $share } of a good harvest.
weather-warmer = Give it the warmest place, cover it, or start it so that it stands in the warmest weeks.
weather-cooler = Start it so that it stands in cooler weeks, or shade it through the heat.
weather-mild-winter = Winters are too mild here for { $planting }: it needs more cold before spring. Expect about { $share } of a good harvest.
weather-kinds-of-low-chill = Look for kinds bred for mild winters, or grow it in the coldest spot.
weather-bolts = Started then, { $planting } tends to run to seed: about { $share } of it is lost.
weather-seeds = The long days make { $planting } run to seed: its picking ends about { $day }, and about { $share } of it is lost.
weather-other-weeks = Start it at another time; its window opens { $start }.
weather-dies = In about { $winters } winters out of ten the cold kills { $planting } here: it survives down to { $bears }.
weather-cover-or-hardier = Cover it through the cold, pick it before then, or choose a hardier crop.
weather-flowers-drop-without-setting = its flowers drop without setting
weather-stops-growing = it stops growing
weather-roots-turn-coarse-or = its roots turn coarse, or it runs to seed
weather-runs-to-seed-turns-bitter = it runs to seed and turns bitter
weather-instead = { CAPITAL($other) } instead

## The yard

yard-place-lies-outside-yard = { $share } % of this place lies outside the yard.
yard-move-or-draw-yard = Move it, or draw the yard larger.
yard-place-stand-each-other = This place overlaps the { $label }.
yard-move = Move it.
yard-place-lies = This place lies on the { $label }.
yard-move-aside-or-lead = Move it aside, or lead the path round it.
yard-place-lie-same-ground = This place and { $label } overlap.
yard-move-one-them-or = Move one of them, or make it smaller.
yard-square-cannot-reached = { $count } cannot be reached.
yard-make-narrower-or-give = Make it narrower, or give it a path on the other side, or a stepping board.
yard-only-lie-between-feet = There is only { $gap } between this and { $path_beside }; feet need { $least }.
yard-move-or-close-gap = Move it { $least }, or close the gap.
yard-long-walk-round-long = It is { $length } long, a walk of { $width } round it, and long beds get stepped on.
yard-leave-path-or-plank = Leave a path or a plank across its middle.
yard-hose-ends-short-away = The hose ends { $short } short: the { $source } is { $route } away round what stands between.
yard-hose-or-place-nearer = Get a hose of { $route }, or a place nearer the water.
yard-water-carried-from-tired = Water is carried { $route } from the { $source }, and tired arms carry less than is needed.
yard-hose-or-butt-nearer = Lay a hose there, or set up a butt nearer.
yard-carried-watering-dry-weeks = Carried, one watering in a dry week is { $cans }.
yard-place-cannot-seen-from = This place cannot be seen from the door; pests are found later there.
yard-walk-past-daily-or = Walk past it daily, or grow what needs little care here.
yard-roots-reach-under-place = Roots of the { $trees } reach under this place and take its water.
yard-water-more-here-cut = Water more here, cut a trench between, or line the bottom.
yard-line-bottom = Line the bottom
yard-ground-falls-from-one = The ground falls { $total } from one corner of this place to the other; level it, or water runs to the low end.
yard-so-steep-rain-washes = On so steep a slope rain washes loosened soil away.
yard-dig-high-side-or = Move about { $moved } of earth from the high half to the low one, or hold the low edge with a wall { $total } deeper there.
yard-pour-to-test = To test it, pour a can of water over the raked ground: where it is level the water stands.
yard-turned-along-slope-contour = Turned along the contour of the slope it would fall less.
yard-set-stones-or-check = Set stones or a check board on the low side.
yard-a-path = a path
yard-wide-needs-or-pass = { CAPITAL($name) } is { $width } wide; { $need } needs { $least }, or { $easy } to pass easily.
yard-make-wide = Make it { $easy } wide.

close-stands-apart-usual = { CAPITAL($planting) }: plants stand { $apart } apart where { $usual } is usual, and each gives about { $lost } less.
close-more-in-all-smaller = Together they give as much or more, but each plant less. Plant wider for large ones.
close-leaves-hang-over = { CAPITAL($planting) }: leaves hang about { $hang } over the wall.
close-leaves-hang-over-path = { CAPITAL($planting) }: leaves hang about { $hang } over the wall; of the { $path } beside, about { $left } stay free.
close-keep-off-walls = Tie leaves back where people pass, or plant half a spacing off the walls.
close-half-spacing-off = Plant half a spacing off the walls
timing-no-window = No time to start { $planting } suits this garden: { $why }.
timing-establishing = { CAPITAL($planting) } is left unpicked this year so that it grows strong; the first picking is about { $first } { $year }.
timing-old-plant = { CAPITAL($planting) } is in year { $year } of its life. It crops well for about { $years } years, so expect less now.
timing-renew = Replace it with young plants, on other ground.
