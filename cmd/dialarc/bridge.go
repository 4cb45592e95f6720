package main

import (
	"fmt"
	"io"
	"reflect"
	"strings"

	"dialarc/core/dial"
	"dialarc/core/setup"
	"dialarc/internal/bridge"
	"dialarc/internal/httpapi"
)

// runBridge prints the page's wrappers of the core's calls as TypeScript.
func runBridge(out io.Writer) error {
	var raw, typed strings.Builder
	for _, call := range new(bridge.Core).Calls() {
		t := reflect.TypeOf(call.Do)
		if t.NumIn() != len(call.Params) {
			return fmt.Errorf("%s takes %d values and names %d", call.Name, t.NumIn(), len(call.Params))
		}
		rawParams, params, passed := make([]string, t.NumIn()), make([]string, t.NumIn()), make([]string, t.NumIn())
		for i, name := range call.Params {
			rawType, ownType := paramTypes(t.In(i))
			rawParams[i], params[i], passed[i] = name+": "+rawType, name+": "+ownType, name
			if bridge.Param(t.In(i)) == bridge.Composed {
				passed[i] = "JSON.stringify(" + name + ")"
			}
		}
		if t.Out(0) == reflect.TypeFor[[]byte]() {
			fmt.Fprintf(&raw, "  %s(%s): Beside;\n", call.Name, strings.Join(rawParams, ", "))
			fmt.Fprintf(&typed, "  /** %s */\n  %s(%s): Answer<Uint8Array> {\n    return bytesOf(this.raw.%s(%s));\n  }\n",
				call.About, call.Name, strings.Join(params, ", "), call.Name, strings.Join(passed, ", "))
			continue
		}
		fmt.Fprintf(&raw, "  %s(%s): string;\n", call.Name, strings.Join(rawParams, ", "))
		fmt.Fprintf(&typed, "  /** %s */\n  %s(%s): Answer<%s> {\n    return JSON.parse(this.raw.%s(%s));\n  }\n",
			call.About, call.Name, strings.Join(params, ", "), typeName(t.Out(0)), call.Name, strings.Join(passed, ", "))
	}
	_, err := fmt.Fprintf(out, bridgeFile, dialNames(), raw.String(), typed.String())
	return err
}

// dialNames are the names of all dials as alternatives of a type.
func dialNames() string {
	var out strings.Builder
	for _, name := range dial.Names {
		fmt.Fprintf(&out, "\n  | %q", name)
	}
	return out.String()
}

const bridgeFile = `// Made by "make generate" from the calls in internal/bridge; not to be edited.
import type { components } from "../api/schema.gen";
import type { Answer } from "./types";

type Schemas = components["schemas"];
type Progress = (share: number) => void;

/** An answer as text, with bytes beside it. */
export type Beside = { json: string; numbers?: Uint8Array };

const bytesOf = ({ json, numbers }: Beside): Answer<Uint8Array> => (numbers ? { ok: numbers } : JSON.parse(json));

/** The names of the dials; a setting's key is its dial's, with the load's place where it belongs to one. */
export type DialName =%s;

/** The calls as they cross: JSON text in, JSON text out. */
export type RawCalls = {
%s};

/** The calls with their types. Documents and gyms go in as JSON text, so that one text can serve several calls. */
export class Calls<Raw extends RawCalls = RawCalls> {
  constructor(protected readonly raw: Raw) {}

%s}
`

// paramTypes are the types of a parameter, as it crosses and as the page gives it.
func paramTypes(t reflect.Type) (raw, own string) {
	switch bridge.Param(t) {
	case bridge.Number:
		return "number", "number"
	case bridge.Share:
		return "Progress", "Progress"
	case bridge.Composed:
		return "string", typeName(t)
	case bridge.Bytes:
		return "Uint8Array", "Uint8Array"
	}
	return "string", "string"
}

// typeName is what a Go type is called in TypeScript, as in the description of the HTTP interface.
func typeName(t reflect.Type) string {
	for t.Kind() == reflect.Pointer {
		t = t.Elem()
	}
	if t.Kind() == reflect.Slice {
		return typeName(t.Elem()) + "[]"
	}
	name := httpapi.SchemaName(t, "")
	if t == reflect.TypeFor[setup.Document]() {
		name = "Document"
	}
	return `Schemas["` + name + `"]`
}
