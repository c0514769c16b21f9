# When a crop can be started, and the warmth of the soil.

season-soil-reaches = the soil reaches { $germination_least }
season-ground-reaches = the ground reaches { $least }
season-about-weeks-before-last = about { $lead } weeks before the last frost
season-up-when-one-spring = up when one spring in ten still brings a frost
season-up-when-nights-below = up when nights below −2 °C are unlikely
season-set-about-first-frost = set about the first frost, to stand the winter
season-set-before-cool-weeks = there is no frost here; set before the coolest weeks
season-no-frost-here-all = there is no frost here; all year
season-no-frost-here-out = there is no frost here; outside the hot months
soil-of-day-read-probe = read by its probe
soil-of-day-usual-day = as usual on this day
season-never-short = the season here is too short for it to be picked; try plants raised indoors, a cover or a quicker kind
season-never-warm = it is too cool here for it to give much; try a greenhouse, a warm wall or a cover
season-never-cool-enough = it is too hot here for it to give much; try shade, a cooler month or a kind that bears heat
season-never-lives = winters here are too cold for it; try a cover, a mulch or a hardier kind
season-never-long-days = days here are never long enough for it to form bulbs; grow a kind for short days
