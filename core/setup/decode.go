package setup

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"reflect"
	"sort"
	"strconv"
	"strings"
	"sync"
	"unicode/utf8"
)

// MaxBytes is the largest document that Parse reads. A real one has about 2 kB.
const MaxBytes = 1 << 20

// Decode reads a document of another kind, called what, from JSON text of at most MaxBytes that has its shape; usual is the size that
// one usually has. On problems it holds whatever could be read.
func Decode[T any](raw []byte, what, usual string) (T, Problems) {
	var v T
	if len(raw) > MaxBytes {
		return v, Problems{{What: fmt.Sprintf("The %s has %d bytes.", what, len(raw)), Hint: fmt.Sprintf("Send one %s, usually about %s.", what,
			usual)}}
	}
	if problems := Shape(raw, reflect.TypeFor[T]()); len(problems) > 0 {
		return v, problems
	}
	if err := json.Unmarshal(raw, &v); err != nil {
		return v, Problems{{What: "The " + what + " cannot be read: " + err.Error() + "."}}
	}
	return v, nil
}

// UnmarshalJSON fills in the defaults of a load before the given fields replace them.
func (l *Load) UnmarshalJSON(raw []byte) error {
	type plain Load
	p := plain{Ratio: 1, Friction: DefaultFriction, ParkedGap: DefaultParkedGap, Travel: DefaultTravel, Hysteresis: DefaultHysteresis,
		Strands: 1}
	err := json.Unmarshal(raw, &p)
	*l = Load(p)
	return err
}

// UnmarshalJSON reads a document of any version, and fills in the number of samples before the given fields replace it.
func (d *Document) UnmarshalJSON(raw []byte) error {
	type plain Document
	p := plain{Samples: DefaultSamples}
	err := json.Unmarshal(UpgradedText(raw), &p)
	*d = Document(p)
	return err
}

// UnmarshalJSON reads a lifter in the words of any version.
func (l *Lifter) UnmarshalJSON(raw []byte) error {
	type plain Lifter
	var p plain
	err := json.Unmarshal(UpgradedText(raw), &p)
	*l = Lifter(p)
	return err
}

// Shape compares JSON text with a Go type field by field, without the decoder's silent leniency: it reports broken
// JSON with line and column, values of the wrong type and unknown names, each with its path.
func Shape(raw []byte, t reflect.Type) Problems {
	if problems := CheckEncoding(raw); len(problems) > 0 {
		return problems
	}
	dec := json.NewDecoder(bytes.NewReader(raw))
	dec.UseNumber()
	var v any
	if err := dec.Decode(&v); err != nil {
		return Problems{syntax(raw, err)}
	}
	if _, err := dec.Token(); !errors.Is(err, io.EOF) {
		return Problems{{What: "There is more text after the end of the document.", Hint: "Send one JSON object and nothing after it."}}
	}
	var found Problems
	shape("", v, t, &found)
	return found
}

// CheckEncoding says where a text is not UTF-8. A decoder would put a mark in place of what it cannot read, and the letter would be lost.
func CheckEncoding(raw []byte) Problems {
	if utf8.Valid(raw) {
		return nil
	}
	at := 0
	for {
		r, n := utf8.DecodeRune(raw[at:])
		if r == utf8.RuneError && n == 1 {
			break
		}
		at += n
	}
	line, column := lineAndColumn(raw[:at])
	return Problems{{What: fmt.Sprintf("The text is not UTF-8 at line %d, column %d.", line, column),
		Why: "A letter there would be lost.", Hint: "Save or send it as UTF-8."}}
}

// lineAndColumn is where in a text the byte after before stands, both from 1.
func lineAndColumn(before []byte) (line, column int) {
	return 1 + bytes.Count(before, []byte("\n")), len(before) - bytes.LastIndexByte(before, '\n')
}

func syntax(raw []byte, err error) Problem {
	offset := int64(len(raw))
	var bad *json.SyntaxError
	if errors.As(err, &bad) {
		offset = bad.Offset
	}
	if len(bytes.TrimSpace(raw)) == 0 {
		return Problem{What: "The document is empty.", Hint: "Send a JSON object with the schema " + Schema + "."}
	}
	before := raw[:min(max(offset-1, 0), int64(len(raw)))]
	line, column := lineAndColumn(before)
	hint := "JSON wants double quotes round names and text, and no comma after the last item."
	if rest := string(raw[len(before):]); strings.HasPrefix(rest, "NaN") || strings.HasPrefix(rest, "Inf") || strings.HasPrefix(rest, "aN") ||
		strings.HasPrefix(rest, "nf") {
		hint = "NaN and Infinity are not numbers in JSON: leave the field out or give a finite number."
	}
	return Problem{What: fmt.Sprintf("This is not JSON at line %d, column %d: %s.", line, column, err), Hint: hint}
}

// What any part of a document may hold at most where its field does not say less in its tags maxItems and maxLength, and how many problems
// are told of one (own).
const (
	mostItems    = 1000
	mostKeys     = 200
	mostRunes    = 400
	mostProblems = 50
)

// shape walks v against t. Only the kinds that the documents use are known.
func shape(path string, v any, t reflect.Type, found *Problems) {
	shapeWithin(path, v, t, mostItems, mostRunes, found)
}

// shapeWithin walks v against t; a list in it may have so many items, a text so many characters.
func shapeWithin(path string, v any, t reflect.Type, items, runes int, found *Problems) {
	if len(*found) >= mostProblems {
		return
	}
	switch t.Kind() {
	case reflect.Pointer:
		if v != nil {
			shapeWithin(path, v, t.Elem(), items, runes, found)
		}
	case reflect.Struct:
		shapeStruct(path, v, t, found)
	case reflect.Map:
		object, ok := v.(map[string]any)
		if !ok {
			wrongType(path, v, "an object", found)
			return
		}
		if len(object) > mostKeys {
			*found = append(*found, Problem{Path: path, What: fmt.Sprintf("There are %d names here.", len(object)),
				Hint: fmt.Sprintf("Give %d at most.", mostKeys)})
			return
		}
		for _, key := range sortedKeys(object) {
			shape(join(path, key), object[key], t.Elem(), found)
		}
	case reflect.Slice:
		list, ok := v.([]any)
		if !ok {
			wrongType(path, v, "a list", found)
			return
		}
		if len(list) > items {
			*found = append(*found, Problem{Path: path, What: fmt.Sprintf("The list has %d items.", len(list)),
				Hint: fmt.Sprintf("Keep it to %d.", items)})
			return
		}
		for i, item := range list {
			shape(path+"["+strconv.Itoa(i)+"]", item, t.Elem(), found)
		}
	case reflect.String:
		shapeText(path, v, runes, found)
	default:
		shapeLeaf(path, v, t, found)
	}
}

func shapeText(path string, v any, runes int, found *Problems) {
	text, ok := v.(string)
	switch n := utf8.RuneCountInString(text); {
	case !ok:
		wrongType(path, v, "text", found)
	case n > runes:
		*found = append(*found, Problem{Path: path, What: fmt.Sprintf("The text has %d characters.", n),
			Hint: fmt.Sprintf("Keep it to %d.", runes)})
	case strings.ContainsRune(text, 0):
		*found = append(*found, Problem{Path: path, What: "The text holds a zero character.", Why: "It cannot be stored.", Hint: "Leave it out."})
	}
}

func shapeStruct(path string, v any, t reflect.Type, found *Problems) {
	object, ok := v.(map[string]any)
	if !ok {
		wrongType(path, v, "an object", found)
		return
	}
	switch t {
	case reflect.TypeFor[Document]():
		upgraded(object)
	case reflect.TypeFor[Lifter]():
		upgradedLifter(object)
	}
	fields := fieldsOf(t)
	for _, key := range sortedKeys(object) {
		if len(*found) >= mostProblems {
			return
		}
		field, there := fields[key]
		if !there {
			*found = append(*found, Problem{Path: join(path, key), What: fmt.Sprintf("There is no field %q here.", key),
				Why: "An unknown field would be lost without a word.", Hint: "Fields here: " + strings.Join(sortedKeys(fields), ", ") + "."})
			continue
		}
		shapeWithin(join(path, key), object[key], field.of, field.items, field.runes, found)
	}
}

// known is what is known of a field: its type, and what it may hold.
type known struct {
	of           reflect.Type
	items, runes int
}

// fieldsOf are the fields of a type by their names in JSON; looked up once.
func fieldsOf(t reflect.Type) map[string]known {
	if fields, ok := looked.Load(t); ok {
		return fields.(map[string]known)
	}
	fields := make(map[string]known, t.NumField())
	for i := range t.NumField() {
		f := t.Field(i)
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		fields[name] = known{f.Type, limitOf(&f, "maxItems", mostItems), limitOf(&f, "maxLength", mostRunes)}
	}
	looked.Store(t, fields)
	return fields
}

var looked sync.Map // of map[string]known by reflect.Type

// limitOf is the number in a field's tag, or the usual one.
func limitOf(f *reflect.StructField, tag string, usual int) int {
	if n, err := strconv.Atoi(f.Tag.Get(tag)); err == nil {
		return n
	}
	return usual
}

func shapeLeaf(path string, v any, t reflect.Type, found *Problems) {
	switch t.Kind() {
	case reflect.Bool:
		if _, ok := v.(bool); !ok {
			wrongType(path, v, "true or false", found)
		}
	case reflect.Float64:
		n, ok := v.(json.Number)
		if !ok {
			wrongType(path, v, "a number", found)
		} else if _, err := n.Float64(); err != nil {
			*found = append(*found, Problem{Path: path, What: "The number " + Clip(n.String()) + " is too large.", Hint: "Give a finite number."})
		}
	case reflect.Int:
		n, ok := v.(json.Number)
		if !ok {
			wrongType(path, v, "a whole number", found)
		} else if _, err := strconv.Atoi(n.String()); err != nil {
			*found = append(*found, Problem{Path: path, What: Clip(n.String()) + " is not a whole number.", Hint: "Give a whole number."})
		}
	}
}

func wrongType(path string, v any, want string, found *Problems) {
	got := "an object"
	switch x := v.(type) {
	case nil:
		got = "null"
	case string:
		got = "the text " + strconv.Quote(Clip(x))
	case json.Number:
		got = "the number " + Clip(x.String())
	case bool:
		got = strconv.FormatBool(x)
	case []any:
		got = "a list"
	}
	what := "Here stands " + got + "."
	if path == "" {
		what = "The document is " + got + "."
	}
	*found = append(*found, Problem{Path: path, What: what, Hint: "Give " + want + "."})
}

// Clip shortens a text that a message quotes.
func Clip(s string) string {
	if r := []rune(s); len(r) > 40 {
		return string(r[:40]) + "..."
	}
	return s
}

func join(path, key string) string {
	if path == "" {
		return key
	}
	return path + "." + key
}

func sortedKeys[V any](m map[string]V) []string {
	keys := make([]string, 0, len(m))
	for k := range m {
		keys = append(keys, k)
	}
	sort.Strings(keys)
	return keys
}
