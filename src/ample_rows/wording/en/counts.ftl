# Nouns that are counted, in all their forms. `$n` is the number.

count-plant = { $n ->
    [one] 1 plant
   *[other] { $n } plants
}
count-more-plant = { $n ->
    [one] 1 more plant
   *[other] { $n } more plants
}
count-square = { $n ->
    [one] 1 square
   *[other] { $n } squares
}
count-seed = { $n ->
    [one] 1 seed
   *[other] { $n } seeds
}
count-station = { $n ->
    [one] 1 station
   *[other] { $n } stations
}
count-packet = { $n ->
    [one] 1 packet
   *[other] { $n } packets
}
count-line = { $n ->
    [one] 1 line
   *[other] { $n } lines
}
count-can = { $n ->
    [one] 1 can
   *[other] { $n } cans
}
count-trip = { $n ->
    [one] 1 trip
   *[other] { $n } trips
}
count-day = { $n ->
    [one] 1 day
   *[other] { $n } days
}
count-week = { $n ->
    [one] 1 week
   *[other] { $n } weeks
}
count-year = { $n ->
    [one] a year
   *[other] { $n } years
}
count-every-week = { $n ->
    [one] every week
   *[other] every { $n } weeks
}
count-every-month = { $n ->
    [one] every month
   *[other] every { $n } months
}
count-every-year = { $n ->
    [one] every year
   *[other] every { $n } years
}
count-piece = { $n ->
    [one] 1 piece
   *[other] { $n } pieces
}
count-planting = { $n ->
    [one] 1 planting
   *[other] { $n } plantings
}
count-board = { $n ->
    [one] 1 board
   *[other] { $n } boards
}
count-handful = { $n ->
    [one] 1 handful
   *[other] { $n } handfuls
}
count-scoop = { $n ->
    [one] 1 scoop
   *[other] { $n } scoops
}
count-bale = { $n ->
    [one] 1 bale
   *[other] { $n } bales
}
count-bag = { $n ->
    [one] 1 bag
   *[other] { $n } bags
}
count-bucket = { $n ->
    [one] 1 bucket
   *[other] { $n } buckets
}
count-season = { $n ->
    [one] 1 season
   *[other] { $n } seasons
}
count-more-season = { $n ->
    [one] 1 more season
   *[other] { $n } more seasons
}
