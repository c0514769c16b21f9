# Boards, supports, covers, loads and wind: what is built, and its bill.

## The bill

bill-your-prices = Your prices
bill-materials-table-middle-span = Materials table, middle of the span
bill-boards-cut-together = { $boards } boards, cut together
bill-values = { $amount } { $unit }
bill-year-use = a year of use
bill-each-cost-years-lasts = each cost ÷ the years that it lasts
bill-all = in all
bill-added-up = added up
bill-mix-cheapest-way-mounds = mix the cheapest way; mounds, or wood that is there for frames
bill-mix-cheapest-way-frames = mix the cheapest way; frames and lines as planned
bill-all-new = all new
bill-mix-dearest-way-nothing = mix the dearest way; nothing of your own
bill-length-height-price = the length, height and price of a { $label }
bill-price = a price for { $label }
bill-tie-across = tie across
bill-bent-strip = bent strip

## Covers

advice-keeps-off = { CAPITAL($kind) } keeps { $families } off { $crops }: { $cloth }.
advice-apart-or-together = { $apart } as they stand, { $together } if they stood in one block
advice-cover = Cover with { $kind }
sheet-across = across
sheet-short-side-squares = the short side of its squares
sheet-along = along
sheet-long-side = the long side
sheet-high = height
sheet-over-crop-half-what = over the crop, and half of what it spans
sheet-cloth-across = cloth across
sheet-over-hoop-tucked = over the hoop and tucked in
sheet-cloth-along = cloth along
sheet-both-ends-down = with both ends down
sheet-cloth = cloth
sheet-across-along = across × along

## Supports

to-check-end-posts = Brace both end posts, or lean them outwards by a hand: along { $run } the pull of wire or net brings them in.
to-check-feet-reach = Its feet or stays reach { $reach } beside the bed: keep them off where people walk and the mower runs.
to-check-feet-in-way = Its feet or stays reach { $reach } into the { $path } of way beside the bed: mark them, or hold the posts another way, for walkers and the mower.
to-check-hand = A hand does not come through openings of { $opening }: pick from the side on which the fruit hangs.
to-check-fruit = The fruit of { $crop } grows to about { $across } across and does not come back through openings of { $opening }: turn it to one side while it is young.
to-check-later = { CAPITAL($crop) } grows to { $grows }. Take posts { $more } longer now if it is to climb all the way later.
to-check-cloth = A cloth laid over it wants { $over } across and { $along } along, with what is weighed down.
builder-run = run
builder-along-edge = along its edge
builder-widest-bay = widest bay
builder-bay = bay
builder-posts-evenly = { $posts_at } posts, evenly spaced
builder-openings = openings
builder-openings-bay = { $openings } openings of { $opening } per bay
builder-mesh = mesh
builder-legs-bow-over = legs of { $legs } and the bow over { $span }
builder-stands-high = height
builder-crown = at its crown
builder-above-soil = above the soil
builder-high-wanted = as high as planned
builder-below = below it
builder-length-post = length of a post
builder-next-cm = rounded up
edges-much-anywhere = as much as anywhere
edges-less-garden-harvest = { $loss } less, { $share } of the garden's harvest
edges-move-side = Move it to the { $point } side

load-leaf-stem = { $name }, leaf and stem
load-metre-face-leaf = face × leaf
load-rain = { $name }, rain on it
load-metre-face-film = face × film
load-hanging-crop = { $name }, hanging crop
load-high-harvest-share-hangs = high harvest × share that hangs at once ÷ its run
load-one-metre = all that hangs
load-added-up = added up

## Wind

wind-gusts = gusts of { $wind }
wind-estimated-stand-not-proof = Estimated to withstand { $gust }{ $by }; not a proof.
wind-needs-or-posts-closer = In { $gust } it needs { $list }, or posts closer together, concrete, or stays; as it is, it should withstand about { $stands }.
wind-no-wind-entered-take = No wind is entered. Use the design wind of your local code; as it is, this post is estimated to withstand gusts of about { $stands }{ $by }.
wind-deep-thick = , { $buried } deep and { $diameter } thick
wind-if-thick = { " " }if its { $holders }, { $diameter } thick
wind-frame-holds = frame holds
wind-stays-hold = stays hold
wind-ground = { $deep } in the ground
wind-posts-thick = posts { $thick } thick
wind-another-footing = another footing
wind-gust = gust
wind-entered = as entered
wind-pressure = pressure
wind-air-speed = ½ × air × speed²
wind-face-one-post = face of one post
wind-one-bay-height-crop = one bay × height of the crop
wind-share-met = share met
wind-leaves-let-some-through = leaves let some through
wind-drag = drag
wind-push-post = push on a post
wind-pressure-face-share-drag = pressure × face × share × drag
wind-thickness = thickness
wind-bends-mpa = bends at { $value } MPa
wind-depth-holds = depth that holds
wind-where-ground-takes = where the ground takes it
