package bridge

import (
	"encoding/json"
	"fmt"
	"reflect"

	"dialarc/core/dialin"
	"dialarc/core/emg"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/measure"
	"dialarc/core/plan"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Core answers calls one after the other and remembers what the next one is likely to ask about too. The zero value is ready; it must not
// be shared between goroutines.
type Core struct {
	evaluator evaluate.Evaluator
	sweeper   dialin.Sweeper
	last      memo
	keeper    plan.Keeper
	rooms     roomMemo
	recorded  map[string]*emg.Recording // by the names that the page gave them
	swept     struct {                  // the sweeps of the document that was swept last
		text   string
		sweeps map[string]dialin.Sweep
	}
}

// Answer is what every call answers: a value, or what is wrong.
type Answer struct {
	OK       any            `json:"ok,omitempty"`
	Problems setup.Problems `json:"problems,omitempty"`
}

// Text is the answer as JSON.
func (a Answer) Text() string {
	if len(a.Problems) > 0 {
		a.OK = nil
	}
	raw, err := json.Marshal(a)
	if err != nil {
		return `{"problems":[{"path":"","what":"The result cannot be written."}]}`
	}
	return string(raw)
}

// Failed is the answer of a call that broke down.
func Failed(cause any) Answer {
	return Answer{Problems: setup.Problems{{What: fmt.Sprint("The calculation failed: ", cause, "."),
		Hint: "Undo the last change and report this."}}}
}

// Packed answers with a report whose numbers come beside it, as Pack writes them; a sketch has fewer places.
func (c *Core) Packed(document string, sketch bool) (Answer, []byte) {
	d, problems := c.last.get(document)
	var r *report.Report
	if len(problems) == 0 {
		if sketch {
			r, problems = c.evaluator.Sketch(&d)
		} else {
			r, problems = c.evaluator.Evaluate(&d)
		}
	}
	if len(problems) > 0 {
		return Answer{Problems: problems}, nil
	}
	numbers := r.Pack()
	return Answer{OK: r}, numbers
}

// Kind is how a parameter crosses from the page.
type Kind int

// The kinds of parameters.
const (
	Text     Kind = iota // a string as it is, or JSON text
	Number               // a float
	Share                // a function that is told how far a call is
	Composed             // a value of the page, which crosses as JSON text
	Bytes                // bytes as they are
)

// composed are the types that cross as JSON text and are nothing else to the page.
var composed = map[reflect.Type]bool{
	reflect.TypeFor[*setup.Lifter](): true, reflect.TypeFor[dialin.Goal](): true, reflect.TypeFor[[]setup.Document](): true,
	reflect.TypeFor[[]setup.Lifter](): true, reflect.TypeFor[measure.Trace](): true, reflect.TypeFor[emg.Settings](): true,
	reflect.TypeFor[MeasuredCourse](): true, reflect.TypeFor[measure.Photo](): true,
	reflect.TypeFor[emg.Study](): true, reflect.TypeFor[[]emg.Capture](): true, reflect.TypeFor[[]OpenedChannel](): true,
}

// Named says whether a type, or what it lists, has a name of its own; bytes need none.
func Named(t reflect.Type) bool {
	if t == reflect.TypeFor[[]byte]() {
		return true
	}
	for t.Kind() == reflect.Pointer || t.Kind() == reflect.Slice {
		t = t.Elem()
	}
	return t.Kind() == reflect.Struct
}

// Param says how a Go type crosses.
func Param(t reflect.Type) Kind {
	switch {
	case t.Kind() == reflect.Float64 || t.Kind() == reflect.Int:
		return Number
	case t == reflect.TypeFor[Progress]():
		return Share
	case t == reflect.TypeFor[[]byte]():
		return Bytes
	case composed[t]:
		return Composed
	}
	return Text
}

// argument makes what a Go function takes from what crossed: a string, a float64 or a Progress. Documents need only the right shape;
// whoever evaluates them judges their values.
func (c *Core) argument(t reflect.Type, crossed any) (reflect.Value, setup.Problems) {
	text, _ := crossed.(string)
	switch t {
	case reflect.TypeFor[*setup.Document]():
		d, problems := c.last.get(text)
		return reflect.ValueOf(&d), problems
	case reflect.TypeFor[*setup.Lifter]():
		l, problems := readLifter(text)
		return reflect.ValueOf(l), problems
	case reflect.TypeFor[*kit.Room]():
		r, problems := c.rooms.get(text)
		return reflect.ValueOf(r), problems
	}
	if composed[t] {
		v := reflect.New(t)
		if err := json.Unmarshal([]byte(text), v.Interface()); err != nil {
			return v.Elem(), setup.Problems{{What: "What was asked cannot be read: " + err.Error() + "."}}
		}
		return v.Elem(), nil
	}
	v := reflect.ValueOf(crossed)
	if !v.IsValid() || !v.CanConvert(t) {
		return reflect.Zero(t), setup.Problems{{What: fmt.Sprintf("A %s was asked for, not %v.", t, crossed)}}
	}
	return v.Convert(t), nil
}

// Run answers a call with what crossed for its parameters.
func (c *Core) Run(call *Call, crossed []any) Answer {
	do := reflect.ValueOf(call.Do)
	t := do.Type()
	if len(crossed) != t.NumIn() {
		return Answer{Problems: setup.Problems{{What: fmt.Sprintf("%s takes %d values, not %d.", call.Name, t.NumIn(), len(crossed))}}}
	}
	in := make([]reflect.Value, t.NumIn())
	for i := range in {
		v, problems := c.argument(t.In(i), crossed[i])
		if len(problems) > 0 {
			return Answer{Problems: problems}
		}
		in[i] = v
	}
	out := do.Call(in)
	answer := Answer{OK: out[0].Interface()}
	if len(out) > 1 {
		answer.Problems, _ = out[1].Interface().(setup.Problems)
	}
	if len(out) > 2 && !out[2].IsNil() {
		answer.Problems = setup.Problems{{What: out[2].Interface().(error).Error()}}
	}
	return answer
}

func readLifter(text string) (*setup.Lifter, setup.Problems) {
	var l setup.Lifter
	if err := json.Unmarshal([]byte(text), &l); err != nil {
		return nil, setup.Problems{{Path: "lifter", What: "The lifter cannot be read: " + err.Error() + "."}}
	}
	return &l, rules.Lifter("lifter", &l)
}

// memo remembers the document that was read last: the calls of one frame all ask about the same text.
type memo struct {
	text     string
	doc      setup.Document
	problems setup.Problems
	filled   bool
}

func (m *memo) get(text string) (setup.Document, setup.Problems) {
	if !m.filled || m.text != text {
		m.doc, m.problems = setup.Read([]byte(text))
		m.text, m.filled = text, true
	}
	return m.doc.Clone(), m.problems
}

// roomMemo remembers the gym that was read last: many setups are fitted to one. No text is any gym.
type roomMemo struct {
	text     string
	room     kit.Room
	problems setup.Problems
}

func (m *roomMemo) get(text string) (*kit.Room, setup.Problems) {
	if text == "" {
		return nil, nil
	}
	if m.text != text {
		m.room, m.problems = kit.Parse([]byte(text))
		m.text = text
	}
	return &m.room, m.problems
}
