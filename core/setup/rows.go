package setup

import (
	"reflect"
	"strconv"
	"strings"
)

// Row is what the definition of a field says that its values may be: the tags minimum and maximum of a number, maxItems of a list and
// maxLength of a text. The published schema shows the same tags.
type Row struct {
	Low, High float64
	Items     int
	Runes     int
}

// Rows are those of a struct's fields, by their JSON names.
type Rows map[string]Row

// RowsOf reads the rows of a struct. It panics on a tag that is no number, which is a fault of the program.
func RowsOf[T any]() Rows {
	out := Rows{}
	for _, f := range reflect.VisibleFields(reflect.TypeFor[T]()) {
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		out[name] = Row{Low: tagged(f, "minimum"), High: tagged(f, "maximum"), Items: int(tagged(f, "maxItems")),
			Runes: int(tagged(f, "maxLength"))}
	}
	return out
}

func tagged(f reflect.StructField, tag string) float64 {
	text, given := f.Tag.Lookup(tag)
	if !given {
		return 0
	}
	x, err := strconv.ParseFloat(text, 64)
	if err != nil {
		panic("setup: the field " + f.Name + " has the tag " + tag + " " + strconv.Quote(text))
	}
	return x
}

// of is the row of the field that a path ends with.
func (r Rows) of(path string) Row {
	name := path[strings.LastIndexByte(path, '.')+1:]
	row, known := r[name]
	if !known {
		panic("setup: no field " + name)
	}
	return row
}

// What is checked here of the things that documents and gyms have in common.
var (
	columnRows    = RowsOf[Column]()
	bandPointRows = RowsOf[BandPoint]()
	camPointRows  = RowsOf[CamPoint]()
)
