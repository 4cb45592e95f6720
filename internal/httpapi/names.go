package httpapi

import (
	"reflect"
	"strings"

	"dialarc/core/compare"
	"dialarc/core/dialin"
	"dialarc/core/kit"
	"dialarc/core/people"
	"dialarc/core/report"
	"dialarc/core/rig"
	"dialarc/core/setup"

	"github.com/danielgtaylor/huma/v2"
)

// prefixes keep types of the same name in different packages apart in the description.
var prefixes = map[string]string{
	reflect.TypeFor[report.Report]().PkgPath():  "Report",
	reflect.TypeFor[setup.Document]().PkgPath(): "Document",
	reflect.TypeFor[rig.Choices]().PkgPath():    "Rig",
	reflect.TypeFor[kit.Room]().PkgPath():       "Kit",
	reflect.TypeFor[people.Person]().PkgPath():  "People",
	reflect.TypeFor[compare.Kept]().PkgPath():   "Compare",
}

// schemaName is the name of a Go type in the description.
func schemaName(t reflect.Type, hint string) string {
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
	for _, t := range []reflect.Type{reflect.TypeFor[report.Scene](), reflect.TypeFor[dialin.Setting](), reflect.TypeFor[dialin.Painting](), reflect.TypeFor[dialin.Goal](), reflect.TypeFor[dialin.Search](), reflect.TypeFor[dialin.Grid](), reflect.TypeFor[dialin.Step](), reflect.TypeFor[rig.Here](), reflect.TypeFor[rig.Choices](), reflect.TypeFor[rig.Fitted](), reflect.TypeFor[rig.Effect](), reflect.TypeFor[setup.Length](), reflect.TypeFor[setup.CoordinateInfo](), reflect.TypeFor[setup.Region](), reflect.TypeFor[report.EqualLoads](), reflect.TypeFor[compare.Comparison](), reflect.TypeFor[compare.Equalised](), reflect.TypeFor[compare.RankedReady](), reflect.TypeFor[compare.Partner]()} {
		r.Schema(t, true, "")
	}
}
