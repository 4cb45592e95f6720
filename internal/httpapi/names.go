package httpapi

import (
	"reflect"
	"strings"

	"dialarc/core/compare"
	"dialarc/core/dialin"
	"dialarc/core/edits"
	"dialarc/core/emg"
	"dialarc/core/kit"
	"dialarc/core/measure"
	"dialarc/core/people"
	"dialarc/core/plan"
	"dialarc/core/progress"
	"dialarc/core/report"
	"dialarc/core/session"
	"dialarc/core/setup"
	"dialarc/internal/bridge"

	"github.com/danielgtaylor/huma/v2"
)

// prefixes keep types of the same name in different packages apart in the description.
var prefixes = map[string]string{
	reflect.TypeFor[report.Report]().PkgPath():  "Report",
	reflect.TypeFor[setup.Document]().PkgPath(): "Document",
	reflect.TypeFor[edits.Choices]().PkgPath():  "Edits",
	reflect.TypeFor[kit.Room]().PkgPath():       "Kit",
	reflect.TypeFor[people.Person]().PkgPath():  "People",
	reflect.TypeFor[compare.Kept]().PkgPath():   "Compare",
	reflect.TypeFor[plan.Block]().PkgPath():     "Plan",
	reflect.TypeFor[emg.Settings]().PkgPath():   "Activity",
	reflect.TypeFor[session.Set]().PkgPath():    "Session",
	reflect.TypeFor[progress.Point]().PkgPath(): "Progress",
}

// SchemaName is the name of a Go type in the description.
func SchemaName(t reflect.Type, hint string) string {
	name := huma.DefaultSchemaNamer(t, hint)
	for t.Kind() == reflect.Pointer || t.Kind() == reflect.Slice {
		t = t.Elem()
	}
	prefix := prefixes[t.PkgPath()]
	if t == reflect.TypeFor[setup.Problem]() || strings.HasPrefix(name, prefix) || strings.HasPrefix(name, "Scene") {
		return name
	}
	return prefix + name
}

// describePage adds the types that only the page's own core speaks, so that they reach TypeScript the same way.
func describePage(r huma.Registry) {
	r.Schema(reflect.TypeFor[dialin.Goal](), true, "")
	for _, t := range []reflect.Type{reflect.TypeFor[measure.Trace](), reflect.TypeFor[emg.Settings](),
		reflect.TypeFor[bridge.MeasuredCourse](), reflect.TypeFor[measure.Photo](),
		reflect.TypeFor[bridge.OpenedChannel]()} {
		r.Schema(t, true, "")
	}
	for _, call := range new(bridge.Core).Calls() {
		if t := reflect.TypeOf(call.Do).Out(0); bridge.Named(t) {
			r.Schema(t, true, "")
		}
	}
}
