# A planting: how it is set out, its light, and the working of its harvest.

## Set out

stand-one-block-squares = one to a block of { $across } × { $across } squares
stand-square-evenly-set = { $per_cell } per square, evenly spaced
stand-one-plant-squares = one plant to { $squares } squares
stand-count-one-ground = { $plants ->
    [one] one plant in the middle
   *[other] { $plants } plants, evenly spread
  }
stand-exact-number = an exact number, evenly spread
stand-spots = each plant at its own spot
stand-row-along-middle = one row along the middle, as the walls leave no room for more
stand-no-spot = by spacing alone, as none can stand { $where } in these squares
stand-by-pattern = { $where }; by spacing alone { $alone }
stand-each-square-own = each square on its own
stand-squares-merged-even-lattice = squares merged, evenly spaced
stand-station-even-lattice = { $per_station } per station, evenly spaced
stand-rows-offset-half-spacing = rows offset by half a spacing
stand-straight-rows = straight rows
stand-thick-band-not-thinned = a thick band, not thinned
set-out-the = { $sides } the { $system }
set-out-one-row-along = one row along
set-out-row-each-side = a row on each side of
set-out-turn-both-sides = in turn on both sides of
set-out-plants-against-book-spacing = { $per } plants per m² against { $reference } at book spacing
set-out-plants-metre-against = { $per_metre } plants per metre against { $usual }
set-out-rows-apart = rows { $apart } apart, so counted at { $shared }
set-out-pot-litres-decide = in a container the soil for each plant decides; plants stand { $nearest } apart or more
set-out-pot-close = plants stand { $apart } apart, nearer than { $nearest }
set-out-same-squares-asks-more = { $asked_by } in the same squares asks for { $asked } more
led-over-led-over-another-times = led over another { $m2 }{ $where }, { $roomy } times the room
led-over-of = { " " }of { $where }
evaluated-counted-here = counted here
evaluated-sun-above-squares-long = sun above 10° on its squares, long days counting most
evaluated-less-covers = { $how }; covers take { $taken }

## Depth

roots-full-least = { $usable } of { $full } for a full harvest, { $least } at least
roots-plant-full-least = { $litres_per_plant } per plant of { $full } for a full harvest, { $least } at least
roots-root-itself-long = the root itself is { $edible_root } long; there is { $usable }

## Working of the harvest

harvest-working-plants = plants
harvest-working-crowding = crowding
harvest-working-depth = depth
harvest-working-light = light
harvest-working-season = season
harvest-working-training = training
harvest-working-lattice-count = Count of plants
harvest-working-apart = { $how }, { $spacing } apart
harvest-working-expected-live = expected to live
harvest-working-for-seed = left for seed
harvest-working-nothing-for-kitchen = it stands until its seed is gathered; nothing is picked for the kitchen
harvest-working-gaps-losses-crop-usual = gaps and losses by the crop's usual share
harvest-working-typical-yield = typical yield
harvest-working-low-high = low { $low }, high { $high }
harvest-working-not-grown-weight = not grown for its weight
harvest-working-shinozaki-kira = Shinozaki and Kira 1956
harvest-working-against-usual-way = against its usual way
harvest-working-own-record = own record
harvest-working-own-learnt = as { $n } weighed here said
harvest-working-no-weights-recorded-here = no weights recorded here yet
harvest-working-garden = This garden
harvest-working-likely-harvest = likely harvest
harvest-working-terms-multiplied = the terms multiplied
harvest-working-median-all-seasons = Median of all seasons
harvest-working-hours-sun-not-known = hours of sun not known; taken as enough
harvest-working-h-of = { $useful_hours } h of { $need }; { $how }
harvest-working-full-least = { $full_sun_hours } h for a full harvest, { $least_sun_hours } h at least
harvest-working-stay-behind = { $lost } h are lost behind the { $behind }
harvest-working-spared-hot-afternoons = spared hot afternoons, × { $cooled }
harvest-working-picking-falls-before = { $share } of the picking falls before { $before }
harvest-working-age = in year { $year } of its life it gives { $share } of a full yield
harvest-working-warmth = warmth of its weeks × { $warmth } of those that the book's yield comes from ({ $climate })
harvest-working-hot-spell = a hot summer, one in some forty, leaves { $share } of it
harvest-working-winter-leaves = frost, cold and short days leave { $share }
harvest-working-bad-years = Bad years: { $trouble }
harvest-working-bad-year = takes about { $takes } in such a year
harvest-working-bad-year-here = takes about { $takes } in such a year; for an average gardener { $usual } of years
harvest-working-bad-years-table = Crop book, bad years
harvest-working-seasons-differ = Good and bad seasons
harvest-working-middle-season = the middle season against the mean of all
varieties-values = { $crop }, { $plants }
varieties-plants-expected-each = { $stand_expected } plants expected × { $kg_per_plant } each
varieties-likely-harvest = likely harvest
varieties-varieties-added-up-season = the varieties added up, season by season

## Spacing

dial-closer = Closer, { $change }.
dial-wider = Wider, { $change }.
dial-at = at { $spacing }: { $count }, { $weight }
dial-none-fits = at { $spacing }: none fits
dial-more = { $plants } more
dial-fewer = { $plants } fewer
dial-same-plants = as many plants
dial-weight = { $change ->
    [more] { $kg } more in all
   *[less] { $kg } less in all
}
dial-same-weight = no more and no less in all
dial-each = { $words }, each { $share } { $change ->
    [heavier] heavier
   *[lighter] lighter
}

marking-each-line-itself-drawn = Each line differs, as drawn: lay a cane and measure.
marking-lines = Lines { $runs }: { $patterns }.
marking-pattern = { $lines } { $at }, { $number ->
    [one] { $plants }
   *[other] on each { $plants }
} { $marks }
marking-plants = { $plants }
marking-stations = { $stations } of { $per }
marking-one-at = at { $cm } { $where }
marking-apart-first = { $step } apart, the first { $cm } { $where }
marking-at = at { $spots } { $where }
marking-from-outer-side = from the outer edge of squares { $side }
marking-from-corner = from the corner
marking-rings = { $rings }.
marking-middle = 1 in the middle
marking-plant-from-middle = 1 plant { $away } from the middle
marking-plants-from-middle = { $count } { $away } from the middle, { $way ->
    [even] evenly round
   *[drawn] as drawn
}

sown-each = { $seeds } at each of { $stations }.
sown-band = { $seeds } scattered over the band, and left as they come up.
sown-up-warm-soil-thin = Up in { $days } days in warm soil; thin to { $keep ->
    [one] the strongest
   *[other] the strongest { $keep }
} before leaves touch, about { $thinned } come out.
sown-expect-bare-nine-times = Expect { $gaps } bare, nine times in ten no more than { $gaps_at_most }; sow a few spare at one end to fill them.
sown-bare-station-unlikely = A bare station is unlikely.

## Plant labels

plant-labels-values = { $labels }{ $cells }, { $plants }
plant-labels-plants = plants { $first_plant }–{ $until }
plant-labels-begun = { $how } { $start } { $year }
plant-labels-pick = { $begun }, pick { $pick }
plant-labels-sown = sown
plant-labels-set-out = set out
plant-labels-planted = planted

## What fits

shelf-held = { $cells } is held
shelf-stands-here-until = { $now } stands here until { $clear_date }
shelf-too-few-squares-plants = too few squares: plants stand { $spacing } apart
shelf-root-long = its root is { $edible_root } long; there is { $usable }
shelf-needs-soil = needs { $least } of soil; there is { $usable }
shelf-needs-soil-plant = needs { $least } of soil per plant
shelf-needs-sun = needs { $least_sun_hours } h of sun
shelf-needs-net-climb = needs a net to climb
shelf-too-early-from = too early: from { $earliest }
shelf-no-window = no time to start it suits this garden: { $why }
shelf-too-late = too late: by { $latest }
shelf-frost-comes-before-picked = frost comes before it is picked
shelf-stays-for-years = it stays for years, and { $later } comes on { $start_date }
shelf-not-ready-before-comes = not ready before { $later } comes on { $start_date }
filling-would-give-what-can = would give { $factor } % of what it can
starters-no-room-left = { $names }: no room left
starters-values = { $names }: { $why }
pages-sun-needs = { $hours } h of sun, and it needs { $least_sun_hours } h
pages-no-window-here = { $why }
pages-about-less-than-could = about { $lost } % less than it could
pages-has-all-needs = has all it needs

## Trailing, and waves

leads-does-not-trail = { $crop } does not trail
leads-climbs-support-what-led = it climbs a support; only what lies on the ground can be led
leads-no-ground-free-time = no ground is free in time
leads-nobody-walks-or-works = nobody walks or works there until it is cleared; keep the way to the water free
leads-path-beside = the path beside it
waves-after-too-late-picked = { $waves } after { $latest }, too late to be picked, and are left out
waves-one-wave-would-start = one wave would start
waves-waves-would-start = { $left } waves would start

## Filling a place deeper

fill-trial-filled-pour = Filled { $fill }: { $litres } to pour, { $given }
fill-trial-mix = { $change ->
    [more] { $litres } more
   *[less] { $litres } less
}
fill-trial-likely = likely { $kg }
fill-trial-likely-change = likely { $kg } ({ $gain } { $change ->
    [more] more
   *[less] less
})
