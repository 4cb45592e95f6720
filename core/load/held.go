package load

import (
	"math"
	"slices"

	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
)

// worn are the places that a cable or band can be fixed at.
var worn = []string{"hand", "wrist", "elbow", "arm", "ankle", "foot", "thigh", "waist", "chest"}

// The dials of what is between a load and the body.
var (
	strapDial = dial.Dial{Name: dial.Strap, Applies: both(placed, hasStrap), Read: strap,
		Write: func(d *setup.Document, i int, v float64) { d.Loads[i].AttachmentLength = v }}
	cuffDial = dial.Dial{Name: dial.Cuff, Applies: both(placed, cuffed), Read: cuffPlace,
		Write: func(d *setup.Document, i int, v float64) { d.Loads[i].Contact.Fraction = &v }}
)

func hasStrap(d *setup.Document, i int) bool { return !d.Loads[i].Shared }

// cuffed says whether a load sits on a cuff that can be pushed along the limb.
func cuffed(d *setup.Document, i int) bool { return d.Loads[i].Contact.Fraction != nil }

// lengths are those of what a room has to hold a cable or band with; none when it may be of any length.
func lengths(l *setup.Load) []float64 {
	if l.Kit == nil {
		return nil
	}
	return l.Kit.Lengths
}

func strap(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Handle and strap", Kind: "length", From: 0, To: 1, Step: 0.05,
		Value: d.Loads[i].AttachmentLength,
		Stops: lengths(&d.Loads[i]), Paths: []string{dial.LoadPath(i, "attachmentLength")}}
}

func cuffPlace(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Cuff along the limb", Kind: "share", From: 0.2, To: 1, Step: 0.05,
		Value: *d.Loads[i].Contact.Fraction,
		Paths: []string{dial.LoadPath(i, "contact.fraction"), dial.LoadPath(i, "contact")}}
}

// fitHold takes what is held or worn, the one of nearest length. now is where its length stands.
func fitHold(f *kit.Fitting, path string, l *setup.Load, now *float64) {
	kinds, none := holdKinds(l, f.Document.Movement.Side == "both")
	var lengths []float64
	for _, h := range f.Room.Holds {
		if slices.Contains(kinds, h.Kind) {
			lengths = append(lengths, h.Length)
		}
	}
	i := kit.Alike(f.Room.Holds, kit.Remembered(l).Attachment, func(h *kit.Hold) string { return h.Key }, func(h *kit.Hold) float64 {
		if !slices.Contains(kinds, h.Kind) {
			return math.Inf(1)
		}
		return math.Abs(h.Length - *now)
	})
	if i < 0 {
		f.Lacks(path+".contact", none, nil)
		return
	}
	// A length that another one of the kind has is that one's: the coach turned to it.
	if near, at := kit.Nearest(lengths, *now); at >= 0 && !kit.Differ(near, *now) && kit.Differ(f.Room.Holds[i].Length, *now) {
		i = slices.IndexFunc(f.Room.Holds, func(h kit.Hold) bool { return slices.Contains(kinds, h.Kind) && !kit.Differ(h.Length, *now) })
	}
	h := &f.Room.Holds[i]
	f.Set(path+".attachmentLength", now, h.Length, h.Name+": {to} instead of {from}.", kit.Length)
	slices.Sort(lengths)
	if l.Kit == nil {
		l.Kit = &setup.Kit{}
	}
	l.Kit.Attachment, l.Kit.Lengths = h.Key, slices.Compact(lengths)
}

// holdKinds are what may be at the end of a cable or band, and what to say when there is none.
func holdKinds(l *setup.Load, both bool) (kinds []string, none string) {
	switch {
	case l.Kind == setup.Rope:
		return []string{"rope"}, "This gym has no rope."
	case l.Shared && both:
		return []string{"bar"}, "This gym has no short bar for both hands."
	case l.Contact.Segment == "hand":
		return []string{"handle", "strap"}, "This gym has no handle."
	case l.Contact.Segment == "trunk":
		return []string{"belt", "strap"}, "This gym has no belt."
	}
	return []string{"cuff"}, "This gym has no cuff."
}

func micro(x float64) float64 { return math.Round(1e6*x) / 1e6 }
