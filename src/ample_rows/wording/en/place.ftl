# What is said of a place: its depth, its sun, its weight, its water, its fill.

## Working of the depth

written-up-inside-measures = Inside measures
written-up-wall = wall
written-up-inside-height = inside height
written-up-gap-below-rim = gap below the rim
written-up-kept-topped-up = kept topped up
written-up-fill = fill
written-up-wall-less-gap = wall less gap
written-up-loosened-below = loosened below
written-up-soil-below = soil of { $place } below
written-up-bottom = { $bottom } bottom
written-up-undug-ground-offers = undug ground offers
written-up-not-described = not described
written-up-usable-depth = usable depth
written-up-added-up = added up
written-up-soil = soil
written-up-inside-area-fill-shape = inside area × fill, by shape
written-up-depth-school = depth standard
written-up-assumes = assumes { $assumes }

families-stood-here-without-keep = the { $family } stood here in { $year } ({ $crop }); { $years } without it keep down { $keeps_down }

## Weight

weight-soaked-mix = soaked mix
weight-soaked-earth = soaked own earth
weight-litre = { $mix } × { $soaked } per litre
weight-soaked-woody-base = soaked woody base
weight-litre-2 = { $base } × { $value } per litre
weight-plants = plants
weight-grown = { $value } per m², fully grown
weight-empty-container = empty container
weight-entered = as entered
weight-your-own = Your own
weight-soaked-all = soaked, in all
weight-added-up = added up
weight-stands = it stands on
weight-ground-covers = the ground that it covers
weight-each-square-metre = load on the ground
weight-all-ground = all ÷ that ground
weight-pressure = pressure
weight-m-s = × gravity

## Fill, mixes and orders

fill-settled-fill = settled fill
fill-inside-area-fill-shape = inside area × fill, by shape
fill-settling = settling
fill-what-poured = of what is poured, { $mix }
fill-pour = to pour
fill-mix-settling = mix ÷ (1 − settling)
fill-own-earth = own earth
fill-dug-on-spot = dug on the spot, not ordered
fill-coarse-woody-base = coarse woody base
fill-found-not-bought = found, not bought
order-bags = bags of { $holds }
order-bales-opened = bales of { $litres }, { $holds } opened
order-loose = loose, delivered
order-loose-shared = loose, delivered, shared by { $shared_by }
order-mixed-here-from-parts = mixed here from its parts
order-own-material = own material
lines-price = a price for { $line }

## Getting ready

getting-ready-mulch-deep-settled-loose = mulch { $cm } deep: { $litres } settled, { $loose } loose
getting-ready-warm-wet-soil-cold = put it on warm wet soil: on cold soil it keeps the cold in, on dry soil it keeps the rain out
getting-ready-top-mulch-up = top the mulch up with { $litres }
getting-ready-so-much-has-rotted = that much rots over the summer
getting-ready-lay-layers = lay { $layers }{ $feed }
getting-ready-strew = , and strew { $mass } of { $packet } between the layers
getting-ready-layers-of-day = { $litres } loose, all in one go, wetted as it goes down
soft-takes-nitrogen = As it rots it ties up about { $n } of nitrogen in its first year; the feed counted here gives that back.
getting-ready-fine-layer-cm-over = a fine layer of 3 cm over the { $layer }, then plant
getting-ready-then-has-sunk-cooled = by then it has sunk and cooled enough to plant
getting-ready-then-and-before = by then it has sunk and cooled enough to plant; before that { $meanwhile }
getting-ready-cover-grass-or-turn = where grass grows, cover it or turn it under
getting-ready-grass-left-alive-grows = grass left alive grows through; under cover it dies in about four months
getting-ready-lay-woody-base-tread = lay the woody base, tread it and water it in
getting-ready-dry-wood-drinks-what = dry wood drinks what the bed is given, and leaves holes
getting-ready-turf-gives = { $what }: about { $sods }
getting-ready-fill = fill with { $order } of { $fill }
getting-ready-filled-autumn-or-month = filled in autumn or a month ahead, it settles and warms before it is planted
getting-ready-top-up = top up with { $top_up }
getting-ready-mix-sinks-rots-little = the mix sinks a little every year as it rots
getting-ready-draw-mulch-back-where = draw the mulch back to { $thin } where seed is sown, until it is up
getting-ready-seedlings-do-not-come = seedlings do not come through more, and slugs hide in it

## Feeding

feed-crops-take = crops take
feed-class-part-area-added = class × part × area, added up
feed-woody-base-takes = the woody base takes
feed-area-year = by its area, this year
feed-fill-frees = the fill frees
feed-rich-mix-feeds-itself = a rich mix feeds itself for a season
feed-lacking = lacking
feed-what-taken-less-what = what is taken, less what is freed
feed-by-measure = about { $count }
feed-by-halves = { $halves ->
    [1] about half a { $measure }
    [2] about 1 { $measure }
    [3] about 1½ { $measure }s
    [4] about 2 { $measure }s
    [5] about 2½ { $measure }s
   *[other] about 3 { $measure }s
}
feed-packet = of the packet
feed-lacking-nitrogen = lacking ÷ { $n_percent } % nitrogen
feed-your-feed = your feed
feed-crop-so-hungry = for its class of feeder
feed-what-picked = for the part that is picked
feed-squares = its squares
feed-their-true-area = by their true area
feed-takes = takes
feed-multiplied = multiplied
feed-half-planting-half-when = Half at planting and half when growth is strong; the packet's own rate is the most to give at once.
feed-ph-most-vegetables-starve = At pH { $ph } most vegetables starve even in rich soil; lime in autumn at the rate its packet gives for your soil, and test again.
feed-ph-iron-manganese-locked = At pH { $ph } iron and manganese are locked up; compost helps, lime does not.

## Water

need-air-takes = the air takes
need-leaves-cover = leaves cover
need-canopies-mid-month-over = canopies in mid-month over the soil
need-ground-or-leaves = ground or leaves
need-larger-soil-canopy = the larger of soil and canopy
need-here = of that, here
need-bare-soil-full-cover = bare soil to full cover by leaves
need-walls-trees = walls and trees
need-material-roots-beside = material, and roots beside
need-dry-week = in a dry week
need-seven-days = seven days of it
need-rain-brings = rain brings
need-useful-share-usual-rain = useful share of the usual rain
need-usual-week = in a usual week
need-less-rain = less the rain
need-soil-holds = the soil holds
need-depth-held-water-share = depth × held water × share used
need-lasts-dry-days = lasts in dry days
need-held-day-need = held ÷ a day's need

ways-roots-want = roots need
ways-dry-week-thirstiest-month = a dry week, thirstiest month
ways-what-poured-reach-them = of what is poured reaches them
ways-pour = to pour
ways-wanted-share = needed ÷ that share
ways-flows = flows
ways-no-more-than-tap = no more than the tap gives
ways-water-runs = water runs
ways-pour-flow = to pour ÷ flow
ways-times-week = times per week
ways-days-soil-lasts = by the days that the soil lasts
ways-your-own-time = of your own time
ways-trips-two-cans-over = { $trips } with two cans over { $route }
ways-begun-each-time-held = started each time, and held while it runs
ways-turned-off-each-time = turned on and off each time

air-hargreaves-samani = Hargreaves and Samani 1985
