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
