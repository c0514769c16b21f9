# Jobs, hours, the pantry, the seed box: the work of the year and what it brings.

## Jobs

job-garden = The garden
of-planting-grams-of-seed = { $grams } of seed, scattered
of-planting-deep = { $depth } deep
of-planting-deep-mulched = { $depth } deep, { $soil } of it soil once the mulch is on
of-planting-holes = holes { $depth } deep
of-planting-keeps = keeps about { $time } { $way }
of-planting-eat-first = it keeps for weeks only: eat it first
laid-over = { $cm } of { $matter } ({ $much })
laid-litres = { $litres }
laid-litres-in = { $litres }, { $held }
rounds-weeks-on-end = weeks on end
rounds-about = about { $time }
rounds-for = { $crop } for { $trouble }
rounds-shows = { $trouble }: { $shows }
of-planting-surface = on the surface
of-planting-up-about-days-soil = up in about { $comes_up_days } days in soil of { $soil };{ " " }
of-planting-about = about { $first_pick }
of-planting-never-here = never here
of-planting-likely-all = likely { $kg } in all,{ " " }
of-planting-frees-squares = frees { $cells }
of-planting-follows = { $next_name } follows on { $next_on }
of-place-put-up = Put up
of-place-high = { $support }, { $height } high
of-place-before-what-climbs-starts = before what climbs it starts on { $first }; roots are not hurt then
put-up-same-day = the same day as { $crop }, { $start }, before its roots spread
put-up-grown = by { $day }, when { $crop } is { $high } high; till then it can be hoed
of-place-week-beyond-usual-rain = { $litres } in the week, on top of the usual rain
of-place-usual-year-less-after = a usual year; less after rain, more in a dry spell
of-place-over = { $what } over { $where }
of-place-kept-until = kept on until { $until }
of-place-needed-no-longer = it is no longer needed
orders-row = { $row }, { $sold }
orders-packets = { $packets }
orders-begun-post-takes-time = { $rows } starts on { $first_use }; the post takes its time, and good seed sells out
behind-days-late = { $late ->
    [one] 1 day late
   *[other] { $late } days late
}
behind-values = { $words }: { $cost }
behind-costs-little = it costs little
behind-costs-about = it costs about { $lost }
behind-too-late-pick-anything = it is too late to pick anything; grow something quicker
chores-see = See to
chores-every-next = { $every }; next on { $on } { $year }
chores-job-your-own-once = a job of your own, once

## Feeding

feeding-feed = feed
feeding-ml-can = ; { $dose } mL of { $feed } in a { $can } can, { $pour } of it
feeding-label-asks-days-before = ; the label asks for { $wait_days } days before anything is picked
feeding-of = { $mass } ({ $measure }) of { $packet }
feeding-label-allows-once = the label allows { $mass } at once
feeding-allowed = { $amount } ({ $allowed })
feeding-goes = { $amount } in { $times } goes{ $apart } ({ $allowed })
feeding-days-apart = , { $every_days } days apart
feeding-amount-how = { $amount }, { $how }
feeding-half = half of what
feeding-share = { $share } of what
feeding-in-holes = a measured share in each hole: { $plants } of { $crop }
feeding-as-it-is-planted = as { $crop } is planted
feeding-all = all that
feeding-raked = raked in
feeding-before-first-crop = before the first crop
feeding-most = most of it to { $most }
feeding-half-grown = { $strong } is half grown
feeding-crops-take-year = { $part } its crops take in the year, { $why }{ $wait }

## Hours

hours-nothing-do-yet = nothing to do yet
hours-most-week-hours = most in the week of { $week }: { $hours } hours
hours-time-such-garden-has = { $busy }; there is time for { $fits } of a garden like this, and it has less
hours-time-such-garden-here = { $busy }; there is time for { $fits } of a garden like this, and it has { $area }
hours-do-before-or-ask = do it before { $leave }, or ask someone
hours-ask-someone-or-set = ask someone, or set up drip or a reservoir before { $leave }
hours-pick-all-ready-before = pick all that is ready before { $leave }, or give it to whoever waters

## The days ahead

days-ahead-planting = { $crop }, { $place }{ $where }
days-ahead-cold-night = { $low } is likely in the night of { $day }
days-ahead-frost = { $night }: { $does }
days-ahead-does = { $does } { $plantings }
days-ahead-cover = cover
days-ahead-wait = wait with
days-ahead-heat = { $high } on { $day }: shade and water { $plantings }, or pick what is ready before
days-ahead-rain-likely-leave-watering = { $fallen } of rain is likely: no need to water
days-ahead-hardly-any-rain-likely = hardly any rain is likely: water in full{ $pots }
days-ahead-pots-each-day = , pots each day

## Pantry

pantry-nothing-wanted-yet = no amount is entered for it yet
pantry-as-wanted = as much as is wanted
pantry-next-years = picked after this year, so it counts in the next
pantry-short-plants = { $short } short: { $plants } ({ $squares })
pantry-short = { $short } short
pantry-spare-keep-give-away = { $short } to spare: keep it, give it away, or sow less
table-short = short { $spells }{ $rest }
table-to = { $since } to { $until }
table-shorter = , and { $more } shorter
variance-season = weather of the season
variance-crop = luck with each crop
variance-bed = from bed to bed

factor-gaps = gaps
factor-losses = losses
factor-spacing = spacing
factor-depth = depth
factor-light = light
factor-warmth = warmth
factor-winter = winter
factor-seasons = good and bad seasons
factor-cut-short = cut short
factor-training = training
factor-this-garden = this garden
factors-losses = { $troubles }
factors-nothing-came-up-nothing = nothing came up, and nothing was filled in
factors-closer-or-wider-than = closer or wider than the book's, and what shares the squares
factors-soil-roots = soil for the roots
factors-sun-squares = sun on its squares
factors-weeks-against-the-book-s = how warm its weeks are for it, against the book's
factors-frost-cold-short-days = what frost, cold and short days leave
factors-middle-season = the middle season against the mean of all
factors-frost-or-clearing-before = frost or clearing before the picking is over
factors-way-held-up = the way it is held up
factors-what-garden-gave-before = what this garden gave before
factors-pests-slugs-bolting = pests, slugs and bolting

## Remedies

remedies-keep-what-over = Keep the surplus { $keeping_ways }
remedies-sow-largest-waves-two = Sow the largest { $name } in { $waves } waves, two weeks apart
remedies-grow-less = Grow { $squares } less of the { $name }
remedies-leave-largest-out = Leave the largest { $name } out
remedies-start-two-weeks = Start the { $crop } of { $start_date } two weeks { $way ->
    [sooner] sooner
   *[later] later
}
remedies-fill-idle-ground = Fill idle ground: { $where }
remedies-squares-from = { $place }, { $cells } from { $start_date }
alternatives-now = as it is now

## Seed box

shopping-enough-box = enough in the box
shopping-box-good = the box is good for { $there }
shopping-each = { $buy } × { $what }, { $each } each
shopping-about = { $packets } of about { $seeds }
shopping-plants = { $wanted } plants
shopping-price = a price for { $row }
shopping-too-old-count-sow = too old to count on: sow a pinch on damp paper first, or buy fresh
shopping-sow-times-thick = sow { $times } times as thick
shopping-saved-beside-others-kind = saved beside others of its kind it may not come true
shopping-raised-home = raised at home
shopping-bought-plants = bought as plants
shopping-raising-one = raising one
shopping-lacking = { $wants }
shopping-sow-or-set = to sow or set
shopping-stations-seeds-station = { $sowings }, stations × seeds per station
shopping-of-plantings = { $sowings }
shopping-some-spare = some to spare
shopping-gaps-slugs-second-go = for gaps, slugs and a second go
shopping-wanted = needed
shopping-rounded-up = rounded up
shopping-box = in the box
shopping-counted-fresh-seed = counted as fresh seed
shopping-buy = to buy
shopping-whole-packets-or-sold = in whole packets or as sold

## What cannot be done

builder-needs-straight-side = A round place has no straight edge: choose where it stands in the bed.
follow-stands-here-then = { $crop } stands here then.
remedies-no-amount-wanted = The pantry has no amount of “{ $crop }” to meet. Enter one first.
turning-no-spot-yet = { $place } has no spot in a yard yet. Move it there first.
yard-not-drawn = There is no yard yet. Draw it on the Ground screen first.
