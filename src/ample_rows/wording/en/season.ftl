# When a crop can be started, and the warmth of the soil.

season-soil-reaches = the soil reaches { $germination_least }
season-ground-reaches = the ground reaches { $least }
season-about-weeks-before-last = about { $lead } weeks before the last frost
season-up-when-one-spring = up when one spring in ten still brings a frost
season-up-when-nights-below = up when nights below −2 °C are unlikely
season-set-about-first-frost = set about the first frost, to stand the winter
season-no-frost-here-all = there is no frost here; all year
season-no-frost-here-out = there is no frost here; outside the hot months
soil-of-day-read-probe = read by its probe
soil-of-day-usual-day = as usual on this day
season-never-short = the season here is too short to bring it to a picking; plants raised indoors, a cover or a quicker kind may
season-never-warm = its weeks here are too cool for it to give much; a greenhouse, a warm wall or a cover may help
season-never-cool-enough = its weeks here are too hot for it to give much; shade, a cooler month or a kind that bears heat may help
season-never-lives = its winters are too cold for it; a cover, a mulch or a hardier kind may help
season-never-long-days = days here never grow long enough for it to make bulbs; a kind for short days does
