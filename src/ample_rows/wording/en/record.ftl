# The day book: what is wrong with an entry, and what is asked about before it is kept.

fault-needs-amount = needs a weight, or a count of pieces
fault-no-crop = "{ $crop }" is not in the crop book
fault-no-such-plant = { $number } is beyond the last plant: there are { $plants }
fault-not-its-kind = "{ $kind }" is not a kind of that planting
fault-span-backwards = is before the first day; it ends on it or later
fault-table-no-such = "{ $key }" is nothing that a column can be
fault-table-twice = two columns cannot both be "{ $key }"
doubt-not-yet = { $day } is still to come
doubt-planting-gone = there is no planting "{ $planting }" now
doubt-place-gone = there is no place "{ $place }" now
doubt-none-grown = the plan has no { $crop } there
doubt-before-start = { $planting } starts on { $start }
doubt-after-end = { $planting } was over on { $end }
doubt-much = { $kg } is far more than { $planting } is estimated to give in all: { $high } at most

## An entry typed in one line, said back

typed-below-nothing = must be more than nothing; “{ $typed }” was typed
typed-no-deed = Say how much was picked, what was done, or a note: { $kg }, thinned, small and sweet.
typed-nothing = Name a crop or a bed, then a weight: carrots low bed { $kg }.
typed-verdict-on-nothing = Say what it is on, a crop, a bed or what stands there: verdict carrot never again, forked.
typed-verdict-empty = Say keep, drop, more, fewer or never again, and why.
typed-kind = { $kind ->
    [picked] picked
    [sown] sown
    [up] come up
    [thinned] thinned
    [set-out] set out
    [tied] tied
    [fed] fed
    [watered] watered
    [seen] seen
    [lost] lost
    [cleared] cleared
    [soil] added
    [verdict] verdict on
   *[note] note
}
typed-done = { $done } { $crop }
typed-where = { $place } { $cells }
typed-weight = { $kg }
typed-pieces = { $n }
typed-count = { $n }
typed-minutes = { $minutes } min
typed-plant = plant { $number }
typed-nowhere = grows nowhere in this plan
typed-weather = the weather
typed-lowest = lowest { $low }
typed-highest = highest { $high }
typed-rain = { $rain } of rain
typed-frost = frost
typed-tags = tagged { $tags }
typed-text = “{ $text }”
typed-day = { $day }

## What ails a plant

ailments-plan-density = The plan reckons that crowding leaves { $left } of its harvest.
ailments-plan-depth = The plan reckons that the depth of the soil leaves { $left } of its harvest.
ailments-plan-light = The plan reckons that its light leaves { $left } of its harvest.
ailments-plan-litres = The plan reckons that so few litres leave { $left } of its harvest.
ailments-plan-season = The plan reckons that its weeks of warmth and frost leave { $left } of its harvest.

## Twins

twins-not-picked = Nothing can be said before both sides were picked. With as many plants as now a difference of a fifth would show after about { $seasons }.
twins-could-be-chance = The difference of { $difference } could well be chance. A difference of a fifth would show after about { $more }.
twins-no-fifth = The difference of { $difference } could well be chance; one of a fifth would have shown by now.
twins-more = { $side } gave { $difference } more, which is hardly chance.
twins-less = { $side } gave { $difference } less, which is hardly chance.

## Why less came than was estimated

miss-late = first picked { $days } later than estimated
miss-frost = frost on { $day }
miss-few = only { $stood } stood, { $share } of what was expected
miss-lost = { $lost } lost
miss-shade = shade, if it had { $hours } h of useful sun rather than the { $reckoned } h reckoned
miss-shallow = too shallow, if its roots found { $deep } of soil rather than the { $reckoned } reckoned
miss-small = too little soil, if each plant had { $litres } rather than the { $reckoned } reckoned
miss-crowded = { $stood } stood where there is room for { $room }, and were not thinned
miss-picked-late = not picked for { $days } at a stretch
miss-seen = seen on { $day }: { $text }

## Saving seed

saving-not-known = Nothing is known here of saving seed of { $crop }; many such plants are divided or come from cuttings.
saving-no-figures = This garden has too many squares for its figures to be worked out; make its squares larger first.
