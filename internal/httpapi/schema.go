package httpapi

import (
	"encoding/json"
	"reflect"

	"github.com/danielgtaylor/huma/v2"
)

// JSONSchema describes a Go type as a JSON Schema (draft 2020-12) that stands on its own.
func JSONSchema(t reflect.Type, id string) ([]byte, error) {
	huma.DefaultArrayNullable = false
	registry := huma.NewMapRegistry("#/$defs/", SchemaName)
	registerTypes(registry)
	top := registry.Schema(t, true, "")
	out := map[string]any{"$schema": "https://json-schema.org/draft/2020-12/schema", "title": id, "$ref": top.Ref, "$defs": registry.Map()}
	return json.Marshal(out)
}
