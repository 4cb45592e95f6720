package demo

import "dialarc/core/kit"

// rooms are the two places, by whether they are for the tour.
func rooms() map[bool]kit.Room { return map[bool]kit.Room{false: hall(), true: corner()} }

// hall is the troupe's rehearsal hall, where most of the work is done.
func hall() kit.Room {
	r := kit.Large("Rehearsal hall")
	r.Notes = "Behind the paint shop. The left column sticks a little below hole 3; the flat bench wobbles."
	return r
}

// corner is where the troupe trains on tour.
func corner() kit.Room {
	r := kit.Corner("Tour van corner")
	r.Notes = "Fits into one crate. The door has to be locked before the anchor is loaded."
	return r
}
